<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Bodies\ControlPointBody;
use App\Models\ControlPoint;
use App\Models\Project;
use App\Preparation;

/** Stores a control point typed by hand, or changes one. */
final class KeepControlPoint
{
    public function __invoke(Project $project, ControlPointBody $body, ?ControlPoint $existing): ControlPoint
    {
        $values = [
            'name' => PointName::checked($body->name), 'northing' => $body->northing, 'easting' => $body->easting, 'elevation' => $body->elevation,
            'code' => $body->code, 'description' => $body->description,
            'held_fixed' => $body->heldFixed, 'plan_deviation' => $body->heldFixed ? null : $body->planDeviation, 'height_deviation' => $body->heldFixed ? null : $body->heightDeviation,
        ];

        return Preparation::step($project, ($existing === null ? 'New control ' : 'Changed control ').$values['name'], static function (Preparation $step) use ($project, $values, $existing): ControlPoint {
            $taken = ControlPoint::query()->where('project_id', $project->id)->where('name', $values['name'])->whereKeyNot($existing?->id)->exists();
            if ($taken) {
                throw new \DomainException("There is a control point “{$values['name']}” already. Choose another name or change that one.");
            }
            if ($existing === null) {
                return $step->create(new ControlPoint($values + ['project_id' => $project->id, 'source' => 'typed']));
            }
            $step->update($existing, $values);

            return $existing;
        });
    }
}
