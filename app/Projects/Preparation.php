<?php

declare(strict_types=1);

namespace App\Projects;

use App\Database\Numbers;
use App\NeedsConfirmation;
use App\Projects\Models\PreparationStep;
use App\Projects\Models\Project;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * Changes made while preparing, as one step that can be undone: rows are kept as they were before and after.
 *
 * Steps of a project are a stack, so undoing always finds the rows as the step left them.
 */
final class Preparation
{
    /** Rows deleted with one statement. */
    private const AT_ONCE = 500;

    /** @var list<array<string, mixed>> table, id, before, after; or table and rows that were created or changed together */
    private array $changes = [];

    private function __construct() {}

    /**
     * @template T
     *  @param  callable(self): T  $work
     *  @param  bool  $evenHeld  the person knows what hangs on rows that vanish
     *  @return T
     *  @throws NeedsConfirmation where a mark or a setup hangs on a row that vanishes
     */
    public static function step(Project $project, string $label, callable $work, bool $evenHeld = false): mixed
    {
        return DB::transaction(function () use ($project, $label, $work, $evenHeld): mixed {
            $step = new self;
            $result = $work($step);
            if (! $evenHeld) {
                Hanging::ask($project, self::vanishing($step->changes, false), 'This');
            }
            if ($step->changes !== []) {
                PreparationStep::query()->where('project_id', $project->id)->where('undone', true)->delete();
                PreparationStep::query()->create(
                    ['project_id' => $project->id, 'label' => mb_substr($label, 0, 200), 'changes' => $step->changes],
                );
                $project->changed();
            }

            return $result;
        });
    }

    /**
     * @template M of Model
     *  @param  M  $model not yet stored
     *  @return M
     */
    public function create(Model $model): Model
    {
        $model->save();
        $this->note($model, null, $model->getAttributes());

        return $model;
    }

    /**
     * Many rows of one table at once, all with the same columns.
     *
     * @param  list<array<string, mixed>>  $rows  without their ids, values as the database keeps them
     */
    public function createMany(string $table, array $rows): void
    {
        if ($rows === []) {
            return;
        }
        $next = Numbers::next($table);
        $rows = array_map(static fn (array $row, int $i): array => ['id' => $next + $i] + $row, $rows, array_keys($rows));
        self::insert($table, $rows);
        $this->changes[] = ['table' => $table, 'rows' => $rows];
    }

    /** @param  array<string, mixed>  $values */
    public function update(Model $model, array $values): void
    {
        // Only what this step changes: undoing it must not take back what was changed elsewhere since.
        $before = array_intersect_key($model->getAttributes(), $values);
        $model->update($values);
        $this->note($model, $before, array_intersect_key($model->getAttributes(), $values));
    }

    /**
     * Many rows of one table changed at once, the same columns of each.
     *
     * @param  array<int, array<string, mixed>>  $before  by id, values as the database keeps them
     * @param  array<int, array<string, mixed>>  $after  the same ids and columns
     */
    public function updateMany(string $table, array $before, array $after): void
    {
        if ($after === []) {
            return;
        }
        self::writeMany($table, $after);
        $this->changes[] = ['table' => $table, 'rowsBefore' => $before, 'rowsAfter' => $after];
    }

    public function delete(Model $model): void
    {
        $this->note($model, $model->getAttributes(), null);
        $model->delete();
    }

    /**
     * @param  bool  $evenHeld  the person knows what hangs on rows that vanish
     * @return string|null what was undone, null where there was nothing
     *
     * @throws NeedsConfirmation where a mark or a setup hangs on a row that vanishes
     */
    public static function undo(Project $project, bool $evenHeld = false): ?string
    {
        $find = static fn () => PreparationStep::query()->where('project_id', $project->id)
            ->where('undone', false)
            ->orderByDesc('id')
            ->first();

        return self::replay($project, $find, true, $evenHeld);
    }

    /** @throws NeedsConfirmation where a mark or a setup hangs on a row that vanishes */
    public static function redo(Project $project, bool $evenHeld = false): ?string
    {
        $find = static fn () => PreparationStep::query()->where('project_id', $project->id)->where('undone', true)->orderBy('id')->first();

        return self::replay($project, $find, false, $evenHeld);
    }

    /**
     * Rows that are not there afterwards.
     *
     * @param  list<array<string, mixed>>  $changes
     * @return array<string, list<array{id: int, name: string}>> by table
     */
    private static function vanishing(array $changes, bool $back): array
    {
        $rows = [];
        foreach ($changes as $change) {
            $gone = match (true) {
                isset($change['rows']) => $back ? $change['rows'] : [],
                isset($change['rowsAfter']) => [],
                $back => $change['before'] === null ? [$change['after']] : [],
                default => $change['after'] === null ? [$change['before']] : [],
            };
            foreach ($gone as $row) {
                $rows[$change['table']][] = ['id' => (int) ($row['id'] ?? $change['id']), 'name' => (string) ($row['name'] ?? '')];
            }
        }

        return $rows;
    }

    /** @param  callable(): ?PreparationStep  $find */
    private static function replay(Project $project, callable $find, bool $back, bool $evenHeld): ?string
    {
        return DB::transaction(static function () use ($project, $find, $back, $evenHeld): ?string {
            $step = $find();
            if ($step === null) {
                return null;
            }
            if (! $evenHeld) {
                Hanging::ask($project, self::vanishing($step->changes, $back), ($back ? 'Undoing' : 'Doing again')." “{$step->label}”");
            }
            foreach ($back ? array_reverse($step->changes) : $step->changes as $change) {
                match (true) {
                    isset($change['rows']) => self::restoreMany($change['table'], $change['rows'], $back),
                    isset($change['rowsAfter']) => self::writeMany($change['table'], $back ? $change['rowsBefore'] : $change['rowsAfter']),
                    default => self::restore($change['table'], $change['id'], $back ? $change['before'] : $change['after']),
                };
            }
            $step->update(['undone' => $back]);
            $project->changed();

            return $step->label;
        });
    }

    /** @param  list<array<string, mixed>>  $rows */
    private static function restoreMany(string $table, array $rows, bool $back): void
    {
        if (! $back) {
            self::insert($table, $rows);

            return;
        }
        foreach (array_chunk(array_column($rows, 'id'), self::AT_ONCE) as $ids) {
            DB::table($table)->whereIn('id', $ids)->delete();
        }
    }

    /** @param  list<array<string, mixed>>  $rows */
    private static function insert(string $table, array $rows): void
    {
        // One statement prepared once: building a long one for every few hundred rows takes three times as long.
        $columns = array_keys($rows[0] ?? []);
        $insert = DB::connection()->getPdo()->prepare(sprintf(
            'INSERT INTO %s ("%s") VALUES (%s)', $table, implode('", "', $columns), implode(', ', array_fill(0, count($columns), '?')),
        ));
        foreach ($rows as $row) {
            $insert->execute(array_map(static fn (mixed $v): mixed => is_bool($v) ? (int) $v : $v, array_values($row)));
        }
    }

    /** @param  array<int, array<string, mixed>>  $rows  by id */
    private static function writeMany(string $table, array $rows): void
    {
        $columns = array_keys(reset($rows) ?: []);
        $sets = implode(', ', array_map(static fn (string $c) => "\"$c\" = ?", $columns));
        $update = DB::connection()->getPdo()->prepare("UPDATE $table SET $sets WHERE id = ?");
        foreach ($rows as $id => $row) {
            $update->execute([...array_values($row), $id]);
        }
    }

    /** @param  array<string, mixed>|null  $row */
    private static function restore(string $table, int $id, ?array $row): void
    {
        $row === null ? DB::table($table)->where('id', $id)->delete() : DB::table($table)->updateOrInsert(['id' => $id], $row);
    }

    /**
     * @param  array<string, mixed>|null  $before
     *  @param  array<string, mixed>|null  $after
     */
    private function note(Model $model, ?array $before, ?array $after): void
    {
        $this->changes[] = ['table' => $model->getTable(), 'id' => $model->getKey(), 'before' => $before, 'after' => $after];
    }
}
