<?php

declare(strict_types=1);

namespace App\Projects;

use App\NeedsConfirmation;
use App\Projects\Models\Project;
use App\Setups\Actions\SetupDrafts;
use Illuminate\Support\Facades\DB;

/**
 * What of the field hangs on rows of the preparation: marks, setups, and the setup being made.
 *
 * The book keeps its own copy of name, design and source, so nothing of it is lost with the row; but what hangs there is never taken
 * from under it without a word. Worklists and recipes don't ask: they name their points by numbers that are never given again, and undo
 * brings them back.
 */
final class Hanging
{
    /** Names told of each kind. */
    private const TOLD = 5;

    /**
     * @param  array<string, list<array{id: int, name: string}>>  $rows  by table, those that are about to vanish
     *
     * @throws NeedsConfirmation
     */
    public static function ask(Project $project, array $rows, string $doing): void
    {
        $hangs = self::on($project, $rows);
        if ($hangs !== []) {
            throw new NeedsConfirmation(
                "$doing would take away what the field stands on: "
                    .implode('; ', $hangs)
                    .'. The field book keeps name, design and source of each as they were; undo or redo brings the same rows back. Go on?',
                'hangs_on_it', ['hangs' => $hangs],
            );
        }
    }

    /**
     * @param  array<string, list<array{id: int, name: string}>>  $rows  by table
     * @return list<string> a phrase each
     */
    public static function on(Project $project, array $rows): array
    {
        $names = static fn (string $table): array => array_column($rows[$table] ?? [], 'name', 'id');

        return [
            ...self::marksMadeTo($project, $names('stakeout_points')),
            ...self::checksOn($project, $names('control_points')),
            ...self::setupsOn(
                $project,
                ['controlId' => $names('control_points'), 'instrumentId' => $names('instruments'), 'targetId' => $names('targets')],
            ),
        ];
    }

    /**
     * @param  array<int, string>  $points  name by id
     * @return list<string>
     */
    private static function marksMadeTo(Project $project, array $points): array
    {
        return $points === [] ? [] : self::told(
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

        return self::told('check shot', [...$checks, ...array_values(array_intersect($old, $control))], 'taken on it');
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

    /**
     * @param  array<string, array<int, string>>  $rows  by what a setup calls them
     * @return list<string>
     */
    private static function setupsOn(Project $project, array $rows): array
    {
        $rows = array_filter($rows);
        if ($rows === []) {
            return [];
        }
        $setups = [];
        foreach (DB::table('setups')->where('project_id', $project->id)
            ->orderBy('id')
            ->get(['id', 'number', 'station_name', 'sights', 'draft']) as $setup) {
            $content = (array) json_decode((string) $setup->draft, true);
            if (self::rests(['sights' => (array) json_decode($setup->sights, true)] + $content, $rows)) {
                $setups[] = "setup {$setup->number} at {$setup->station_name}";
            }
        }
        $draft = json_decode((string) json_encode(SetupDrafts::of($project)), true);

        return [...self::told('setup', $setups, 'computed from it'), ...(self::rests($draft, $rows) ? ['the setup being made'] : [])];
    }

    /**
     * @param  array<string, mixed>  $setup  as it was accepted, or is being made
     * @param  array<string, array<int, string>>  $rows
     */
    private static function rests(array $setup, array $rows): bool
    {
        $named = [
            'controlId' => [...array_column($setup['sights'] ?? [], 'controlId'), $setup['stationControlId'] ?? null],
            'instrumentId' => [$setup['instrumentId'] ?? null], 'targetId' => [$setup['targetId'] ?? null],
        ];
        foreach ($rows as $kind => $ids) {
            foreach ($named[$kind] as $id) {
                if ($id !== null && isset($ids[(int) $id])) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param  list<string>  $which
     * @return list<string>
     */
    private static function told(string $word, array $which, string $how): array
    {
        $count = count($which);
        if ($count === 0) {
            return [];
        }
        $some = implode(', ', array_slice($which, 0, self::TOLD)).($count > self::TOLD ? ' and more' : '');

        return ["$count $word".($count === 1 ? '' : 's')." $how: $some"];
    }
}
