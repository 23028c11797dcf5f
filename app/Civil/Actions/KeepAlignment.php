<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\Models\CivilAlignment;
use App\Civil\RoadShapes;
use App\Clock;
use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\AlignmentRecord;
use Parlay\Core\Civil\Models\AlignmentRead;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Profiles\ProfileRecord;

/** Keeps an alignment as a row; as removed, until whoever takes it says that it counts. */
final class KeepAlignment
{
    public static function read(Project $project, AlignmentRead $read, string $file): CivilAlignment
    {
        return self::row($project, $read->alignment, [
            'name' => self::freeName($project, 'alignments', $read->name === '' ? 'Alignment' : $read->name), 'description' => $read->description,
            'source' => $file, 'remarks' => $read->remarks,
            'profiles' => [
                ...array_map(static fn (Profile $p) => ProfileRecord::of($p, false), $read->profiles),
                ...array_map(static fn (Profile $p) => ProfileRecord::of($p, true), $read->grounds),
            ],
            'shapes' => array_map(RoadShapes::kept(...), $read->sections),
        ]);
    }

    /** @param  array<string, mixed>  $columns */
    public static function row(Project $project, Alignment $alignment, array $columns): CivilAlignment
    {
        return CivilAlignment::query()->create($columns + [
            'project_id' => $project->id, 'taken_at' => Clock::stamp(), 'removed_at' => Clock::stamp(), ...self::geometry($alignment),
        ]);
    }

    /** @return array<string, mixed> the columns that say where it runs */
    public static function geometry(Alignment $alignment): array
    {
        $n = $e = [];
        for ($i = 0, $steps = 4 * count($alignment->elements); $i <= $steps; $i++) {
            $p = $alignment->at($alignment->length * $i / $steps);
            [$n[], $e[]] = [$p->northing, $p->easting];
        }

        return [
            'length' => $alignment->length, 'record' => AlignmentRecord::of($alignment),
            'extent' => [min($e), min($n), max($e), max($n)],
        ];
    }

    /** A name that nothing in a table of the project has. */
    public static function freeName(Project $project, string $table, string $name): string
    {
        $name = mb_substr(trim($name), 0, 180);
        $taken = DB::table($table)->where('project_id', $project->id)->whereNull('removed_at')->pluck('name')->flip();
        for ($i = 2, $free = $name; isset($taken[$free]); $i++) {
            $free = "$name ($i)";
        }

        return $free;
    }
}
