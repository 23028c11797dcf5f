<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Projects\Hanging;
use App\Projects\HangsOnRows;
use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;

/** Marks made to points, and checks taken on control. */
final class HangingMarks implements HangsOnRows
{
    public function on(Project $project, array $rows): array
    {
        return [
            ...self::madeTo($project, $rows['stakeout_points'] ?? []),
            ...self::checksOn($project, $rows['control_points'] ?? []),
        ];
    }

    /**
     * @param  array<int, string>  $points  name by id
     * @return list<string>
     */
    private static function madeTo(Project $project, array $points): array
    {
        return $points === [] ? [] : Hanging::told(
            'mark', self::among($project, 'point_id', $points, static fn (\stdClass $m) => "{$m->name} ({$m->kind})"), 'made to it',
        );
    }

    /**
     * @param  array<int, string>  $control  name by id
     * @return list<string>
     */
    private static function checksOn(Project $project, array $control): array
    {
        if ($control === []) {
            return [];
        }
        $checks = self::among($project, 'control_id', $control, static fn (\stdClass $m) => $m->name);
        // Checks of earlier versions name their control and no more.
        $old = DB::table('marks')->where('project_id', $project->id)->where('kind', 'check')->whereNull('control_id')->pluck('name')->all();

        return Hanging::told('check shot', [...$checks, ...array_values(array_intersect($old, $control))], 'taken on it');
    }

    /**
     * @param  array<int, string>  $rows  by id
     * @param  callable(\stdClass): string  $word
     * @return list<string>
     */
    private static function among(Project $project, string $column, array $rows, callable $word): array
    {
        $marks = DB::table('marks')->where('project_id', $project->id)
            ->whereNotNull($column)
            ->orderBy('id')
            ->get(['id', 'name', 'kind', $column]);

        return array_values($marks->filter(static fn (\stdClass $m) => isset($rows[(int) $m->$column]))->map($word)->all());
    }
}
