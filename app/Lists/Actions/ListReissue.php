<?php

declare(strict_types=1);

namespace App\Lists\Actions;

use App\Control\Models\ControlPoint;
use App\Lists\ListReissued;
use App\Lists\MovedName;
use App\Lists\PointsTarget;
use App\Lists\RecodedName;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Control\ControlComparison;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\PointRow;

/** A new list of control or of points beside what is in use, and what was measured with what moved: nothing moves until it is told to. */
final class ListReissue
{
    private const SHOWN = 500;

    /**
     * @param  list<PointRow>  $rows
     * @return ListReissued|null null where no name is the same: then it is no reissue
     */
    public static function of(Project $project, PointsTarget $target, array $rows): ?ListReissued
    {
        [$inUse, $codes] = self::inUse($project, $target);
        $reissued = $recoded = [];
        foreach ($rows as $row) {
            // A name that several have says not which of them is meant.
            if (isset($codes[$row->name]) && ! isset($inUse[$row->name])) {
                continue;
            }
            $reissued[$row->name] ??= $row->position;
            if (isset($inUse[$row->name]) && $row->code !== '' && $row->code !== $codes[$row->name]) {
                $recoded[$row->name] ??= new RecodedName($row->name, $codes[$row->name], $row->code);
            }
        }
        if ($inUse === [] || array_intersect_key($inUse, $reissued) === []) {
            return null;
        }
        $comparison = ControlComparison::of($inUse, $reissued);
        $uses = $target === PointsTarget::Control ? self::setupsByMark($project) : self::staked($project);
        $moved = array_map(static fn (array $m) => new MovedName(
            $m['name'], $m['plan'], $m['height'], $m['to']->northing - $m['from']->northing,
            $m['to']->easting - $m['from']->easting, implode(', ', $uses[$m['name']] ?? []),
        ), $comparison->moved);

        return new ListReissued(
            moved: array_slice($moved, 0, self::SHOWN),
            recoded: array_slice(array_values($recoded), 0, self::SHOWN),
            new: array_slice($comparison->new, 0, self::SHOWN),
            gone: array_slice($comparison->gone, 0, self::SHOWN),
            same: $comparison->same,
            movedCount: count($moved),
            recodedCount: count($recoded),
            newCount: count($comparison->new),
            goneCount: count($comparison->gone),
        );
    }

    /** @return array{array<string, Position>, array<string, string>} places by the names that only one has, and codes by all names */
    private static function inUse(Project $project, PointsTarget $target): array
    {
        // Stations that were measured here are on nobody's list.
        $rows = $target === PointsTarget::Control ? ControlPoint::listed($project)->toBase() : StakeoutPoint::of($project)->toBase();
        $places = $codes = $times = [];
        foreach ($rows->get(['name', 'northing', 'easting', 'elevation', 'code']) as $r) {
            $times[$r->name] = ($times[$r->name] ?? 0) + 1;
            $places[$r->name] = new Position((float) $r->northing, (float) $r->easting, $r->elevation === null ? null : (float) $r->elevation);
            $codes[$r->name] = (string) $r->code;
        }
        $once = array_filter($times, static fn (int $n) => $n === 1);

        return [array_intersect_key($places, $once), $codes];
    }

    /** @return array<string, list<string>> */
    private static function setupsByMark(Project $project): array
    {
        $by = [];
        foreach (Setup::query()->where('project_id', $project->id)->orderBy('id')->get(['id', 'number', 'station_name', 'sights']) as $setup) {
            $words = 'setup '.$setup->number.' ('.$setup->station_name.')';
            foreach (array_unique([...array_column($setup->sights, 'name'), $setup->station_name]) as $name) {
                $by[(string) $name][] = $words;
            }
        }

        return $by;
    }

    /** @return array<string, list<string>> */
    private static function staked(Project $project): array
    {
        $names = DB::table('stakeout_points')->where('project_id', $project->id)->whereIn(
            'id', DB::table('marks')->where('project_id', $project->id)->where('kind', 'stake')->whereNotNull('point_id')->select('point_id'),
        )->pluck('name');

        return array_fill_keys($names->all(), ['staked already']);
    }
}
