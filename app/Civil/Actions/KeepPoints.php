<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\AlignmentPoint;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;

/** Keeps points that were worked out and looked at: all of them, or none. */
final class KeepPoints
{
    /**
     * @param  list<AlignmentPoint>  $points
     * @param  \Closure(AlignmentPoint): string  $from  where each comes from, in words
     *
     * @throws \DomainException where one can't be made
     */
    public static function of(Project $project, string $label, array $points, string $code, \Closure $from): int
    {
        foreach ($points as $p) {
            if ($p->fault !== null) {
                throw new \DomainException($p->fault.' Mend it, or take it out of the list. Nothing was made.');
            }
        }
        if ($points === []) {
            throw new \DomainException('There is no point to make.');
        }

        return Preparation::step($project, $label, static function (Preparation $step) use ($project, $points, $code, $from): int {
            $step->createMany('stakeout_points', array_map(static fn (AlignmentPoint $p): array => [
                'project_id' => $project->id, 'name' => PointName::checked($p->name), 'northing' => $p->northing, 'easting' => $p->easting,
                'elevation' => $p->elevation, 'code' => $p->code === '' ? $code : $p->code, 'description' => '', 'origin' => 'computed',
                'recipe' => json_encode(['description' => $from($p)], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            ], $points));

            return count($points);
        });
    }
}
