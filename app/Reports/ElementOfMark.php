<?php

declare(strict_types=1);

namespace App\Reports;

use App\Projects\Models\Project;
use App\Stakeout\Models\Mark;
use Illuminate\Support\Facades\DB;

/** The things of building models that marks belong to: by what their point was made of, or by the face, edge or axis that was measured. */
final readonly class ElementOfMark
{
    /**
     * @param  array<int, array{string, int}>  $ofPoints  GlobalId and number of the drawing, by number of the point
     * @param  array<string, array{string, int}>  $ofAims  the same by key of the aim
     */
    private function __construct(private array $ofPoints, private array $ofAims) {}

    /** With two questions to the database, however many marks there are. */
    public static function in(Project $project): self
    {
        $named = static fn (string $table, string $key, string $column): array => array_filter(array_map(
            static fn (string $json): ?array => self::first(json_decode($json, true)),
            DB::table($table)->where('project_id', $project->id)->where($column, 'like', '%"guid"%')->pluck($column, $key)->all(),
        ));

        return new self($named('stakeout_points', 'id', 'recipe'), $named('aims', 'key', 'given'));
    }

    /** @return array{string, int|null} GlobalId and number of the drawing; empty and null where it belongs to none */
    public function of(Mark $mark): array
    {
        return ($mark->point_id === null ? null : $this->ofPoints[$mark->point_id] ?? null) ?? $this->ofAims[$mark->aim_key] ?? [(string) $mark->aimed()?->thing, null];
    }

    /** @return array{string, int}|null the first thing that is spoken of */
    private static function first(mixed $value): ?array
    {
        if (! is_array($value)) {
            return null;
        }
        if (is_string($value['guid'] ?? null) && is_int($value['designId'] ?? null)) {
            return [$value['guid'], $value['designId']];
        }
        foreach ($value as $inner) {
            $found = self::first($inner);
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }
}
