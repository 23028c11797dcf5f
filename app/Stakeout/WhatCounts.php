<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Projects\Models\Project;
use App\Stakeout\Models\Strike;
use Illuminate\Support\Facades\DB;

/**
 * Which marks of a project count: a point, a spot or a place along a line that was staked or built again counts once, by its latest mark; a check, a mark anywhere
 * along a line, or a shot at nothing designed, stands for itself. A mark that was mended stands where the one it mends stood; one that is struck stands nowhere.
 */
final readonly class WhatCounts
{
    /**
     * @param  array<int, string>  $subjects  of all marks that stand, what each was made for
     * @param  array<int, int>  $order  of all marks that stand, the first mark of which each is a version
     * @param  array<int, true>  $counting
     */
    private function __construct(private array $subjects, private array $order, private array $counting) {}

    public static function of(Project $project): self
    {
        $roots = $standing = [];
        foreach (DB::table('marks')->where('project_id', $project->id)->orderBy('id')
            ->select(['id', 'mends', 'kind', 'point_id', 'aim_key', 'aimed->kind as aimed_kind'])->cursor() as $m) {
            $roots[$m->id] = $m->mends === null ? (int) $m->id : $roots[$m->mends] ?? (int) $m->mends;
            $standing[$m->id] = self::about($m, $roots[$m->id]);
            unset($standing[(int) $m->mends]);
        }
        $standing = array_diff_key($standing, Strike::struckIn($project));
        $order = array_intersect_key($roots, $standing);
        asort($order);
        $latest = [];
        foreach (array_keys($order) as $id) {
            $latest[$standing[$id]] = $id;
        }

        return new self($standing, $order, array_fill_keys($latest, true));
    }

    private static function about(\stdClass $m, int $root): string
    {
        return match (true) {
            $m->kind === 'check' => "mark $root",
            $m->point_id !== null => "{$m->kind} {$m->point_id}",
            in_array($m->aimed_kind, [AimKind::Spot->value, AimKind::Place->value], true) => "{$m->kind} at {$m->aim_key}",
            default => "mark $root",
        };
    }

    public function counts(int $mark): bool
    {
        return isset($this->counting[$mark]);
    }

    /** What a mark was made for: the same of the mark that mends it, or that counts in its place. */
    public function subjectOf(int $mark): string
    {
        return $this->subjects[$mark] ?? "mark $mark";
    }

    /** Smaller for what was marked earlier; of a mark that mends another, the number of the first. */
    public function placeOf(int $mark): int
    {
        return $this->order[$mark] ?? $mark;
    }
}
