<?php

declare(strict_types=1);

namespace App\Control\Actions;

use App\Control\ControlReissued;
use App\Control\Models\ControlPoint;
use App\Control\MovedControl;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use Parlay\Core\Control\ControlComparison;
use Parlay\Core\Points\PointRow;

/** A new list of control beside the one in use, and the setups that stand on what moved. */
final class ControlReissue
{
    /**
     * @param  list<PointRow>  $rows
     * @return ControlReissued|null null where no name is the same: then it is no reissue
     */
    public static function of(Project $project, array $rows): ?ControlReissued
    {
        // Stations that were measured here are on nobody's list.
        $inUse = $project->listedControl()->get()->mapWithKeys(static fn (ControlPoint $c) => [$c->name => $c->position()])->all();
        $reissued = [];
        foreach ($rows as $row) {
            $reissued[$row->name] ??= $row->position;
        }
        if ($inUse === [] || array_intersect_key($inUse, $reissued) === []) {
            return null;
        }
        $comparison = ControlComparison::of($inUse, $reissued);
        $setups = self::setupsByMark($project);
        $moved = array_map(static fn (array $m) => new MovedControl(
            $m['name'], $m['plan'], $m['height'], $m['to']->northing - $m['from']->northing,
            $m['to']->easting - $m['from']->easting, implode(', ', $setups[$m['name']] ?? []),
        ), $comparison->moved);

        return new ControlReissued(
            $moved, array_slice($comparison->new, 0, 500), array_slice($comparison->gone, 0, 500), $comparison->same,
        );
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
}
