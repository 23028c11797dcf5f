<?php

declare(strict_types=1);

namespace App\Projects;

use App\NeedsConfirmation;
use App\Projects\Models\Project;

/**
 * What of the field hangs on rows of the preparation: marks, setups, and the setup being made. Whoever keeps these says so (HangsOnRows).
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
        $named = array_map(static fn (array $of): array => array_column($of, 'name', 'id'), array_filter($rows));
        $phrases = [];
        /** @var HangsOnRows $asked */
        foreach ($named === [] ? [] : app()->tagged(HangsOnRows::class) as $asked) {
            array_push($phrases, ...$asked->on($project, $named));
        }

        return $phrases;
    }

    /**
     * @param  list<string>  $which  names
     * @return list<string> one phrase, none where nothing hangs
     */
    public static function told(string $word, array $which, string $how): array
    {
        $count = count($which);
        if ($count === 0) {
            return [];
        }
        $some = implode(', ', array_slice($which, 0, self::TOLD)).($count > self::TOLD ? ' and more' : '');

        return ["$count $word".($count === 1 ? '' : 's')." $how: $some"];
    }
}
