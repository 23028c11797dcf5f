<?php

declare(strict_types=1);

namespace App\Control\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\Words;
use App\Control\Models\ControlPoint;
use App\Control\TypedControl;
use App\Points\PointName;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Seen;

/** Stores a control point typed by hand or touched on the plan, or changes one. */
final class KeepControlPoint
{
    public function __invoke(Project $project, TypedControl $body, ?ControlPoint $existing): ControlPoint
    {
        $values = self::columns($body);
        $source = 'typed';
        if ($body->place !== null) {
            $shapes = new DrawnShapes($project);
            $at = (new Givens($project, $shapes))->place($body->place);
            $values = ['northing' => $at->northing, 'easting' => $at->easting] + $values;
            $source = mb_substr((new Words($project, $shapes))->place($body->place), 0, 250);
        }
        $seen = $body->seen === null ? null : self::columns($body->seen);

        return Preparation::step($project, ($existing === null ? 'New control ' : 'Changed control ').$values['name'], static function (
            Preparation $step,
        ) use ($project, $values, $seen, $existing, $source): ControlPoint {
            $taken = ControlPoint::query()->where('project_id', $project->id)
                ->where('name', $values['name'])
                ->whereKeyNot($existing?->id)
                ->exists();
            if ($taken) {
                throw new \DomainException("There is a control point “{$values['name']}” already. Choose another name or change that one.");
            }
            if ($existing === null) {
                return $step->create(new ControlPoint($values + ['project_id' => $project->id, 'source' => $source]));
            }
            Seen::refuseOther($existing->refresh(), $seen, $existing->name);
            $step->update($existing, $values);

            return $existing;
        });
    }

    /** @return array<string, mixed> */
    private static function columns(TypedControl $body): array
    {
        return [
            'name' => PointName::checked($body->name), 'northing' => $body->northing, 'easting' => $body->easting,
            'elevation' => $body->elevation, 'code' => $body->code, 'description' => $body->description,
            'held_fixed' => $body->heldFixed, 'plan_deviation' => $body->heldFixed ? null : $body->planDeviation,
            'height_deviation' => $body->heldFixed ? null : $body->heightDeviation,
        ];
    }

    /** @param  bool  $evenHeld  also where setups or checks hang on it, which was asked */
    public function delete(Project $project, int $control, bool $evenHeld): void
    {
        $point = $project->controlPoints()->findOrFail($control);
        Preparation::step($project, "Deleted control {$point->name}", static fn (Preparation $step) => $step->delete($point), $evenHeld);
    }
}
