<?php

declare(strict_types=1);

namespace App\Control\Actions;

use App\Control\Models\GridLine;
use App\Control\TypedGridLine;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;
use App\Seen;

/** Keeps, corrects and deletes grid lines; each has a name of its own, and one that is kept again is the same line. */
final class KeepGridLines
{
    /**
     * @param  list<TypedGridLine>  $lines
     * @return int how many
     */
    public function keep(Project $project, array $lines): int
    {
        Preparation::step($project, count($lines).' grid lines', static function (Preparation $step) use ($project, $lines): void {
            $known = GridLine::of($project)->get()->keyBy('name');
            foreach ($lines as $line) {
                $values = self::columns($line);
                $row = $known->get($values['name']);
                if ($row === null) {
                    $known[$values['name']] = $step->create(new GridLine(['project_id' => $project->id] + $values));
                } else {
                    $step->update($row, $values);
                }
            }
        });

        return count($lines);
    }

    public function correct(Project $project, int $line, TypedGridLine $typed): GridLine
    {
        $row = GridLine::of($project)->findOrFail($line);
        $name = PointName::checked($typed->name);
        if (GridLine::of($project)->where('name', $name)->whereKeyNot($line)->exists()) {
            throw new \DomainException("There is a grid line “{$name}” already.");
        }
        Preparation::step($project, "Grid line $name", static function (Preparation $step) use ($row, $typed): void {
            Seen::refuseOther($row->refresh(), $typed->seen === null ? null : self::columns($typed->seen), $row->name);
            $step->update($row, self::columns($typed));
        });

        return $row;
    }

    /**
     * @param  list<int>  $ids
     * @return int how many there were
     */
    public function delete(Project $project, array $ids): int
    {
        $lines = GridLine::of($project)->whereIn('id', $ids)->get();
        Preparation::step(
            $project, "Deleted {$lines->count()} grid lines",
            static fn (Preparation $step) => $lines->each(static fn (GridLine $l) => $step->delete($l)),
        );

        return $lines->count();
    }

    /** @return array<string, mixed> */
    private static function columns(TypedGridLine $line): array
    {
        return ['name' => PointName::checked($line->name)] + array_diff_key((array) $line, ['seen' => null]);
    }
}
