<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Bodies\PointBody;
use App\Models\Project;
use App\Models\StakeoutPoint;
use App\Preparation;

final class ChangePoint
{
    public function __invoke(Project $project, StakeoutPoint $point, PointBody $body): StakeoutPoint
    {
        $name = PointName::checked($body->name);
        // A point that was moved by hand is no longer where its drawing says.
        $moved = $body->northing !== $point->northing || $body->easting !== $point->easting;

        return Preparation::step($project, "Changed point $name", static function (Preparation $step) use ($project, $point, $body, $name, $moved): StakeoutPoint {
            MakePoint::refuseTaken($project, $name, $point->id);
            $step->update($point, [
                'name' => $name, 'northing' => $body->northing, 'easting' => $body->easting, 'elevation' => $body->elevation, 'code' => $body->code, 'description' => $body->description,
            ] + ($moved ? ['origin' => 'typed', 'recipe' => null] : []));

            return $point;
        });
    }
}
