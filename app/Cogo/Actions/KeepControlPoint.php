<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\TypedControl;
use App\Cogo\Words;
use App\Control\Models\ControlPoint;
use App\Designs\Models\Design;
use App\NeedsConfirmation;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;
use App\Seen;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Findings\Surroundings;
use Parlay\Core\Points\Findings\TypedMark;
use Parlay\Core\Points\PointRow;
use Parlay\Words\TypedMarks;

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
        // A name that is taken can't be kept, whatever is answered to a doubt.
        self::refuseTaken($project, $values['name'], $existing);
        $body->evenDoubtful || self::askDoubtful($project, $values, $existing);

        return Preparation::step($project, ($existing === null ? 'New control ' : 'Changed control ').$values['name'], static function (
            Preparation $step,
        ) use ($project, $values, $seen, $existing, $source): ControlPoint {
            self::refuseTaken($project, $values['name'], $existing);
            if ($existing === null) {
                return $step->create(new ControlPoint($values + ['project_id' => $project->id, 'source' => $source]));
            }
            Seen::refuseOther($existing->refresh(), $seen, $existing->name);
            $step->update($existing, $values);

            return $existing;
        });
    }

    private static function refuseTaken(Project $project, string $name, ?ControlPoint $existing): void
    {
        if (ControlPoint::query()->where('project_id', $project->id)->where('name', $name)->whereKeyNot($existing?->id)->exists()) {
            throw new \DomainException("There is a control point “{$name}” already. Choose another name or change that one.");
        }
    }

    /**
     * A mark that is typed is looked over as a list is; one that only gets another code or deviation is not asked about again.
     *
     * @param  array<string, mixed>  $values
     */
    private static function askDoubtful(Project $project, array $values, ?ControlPoint $existing): void
    {
        $place = new Position($values['northing'], $values['easting'], $values['elevation']);
        $was = $existing?->position();
        if ($was !== null && $was->distanceTo($place) === 0.0 && $was->elevation === $place->elevation) {
            return;
        }
        $unit = $project->length_style->unit();
        $others = array_values(ControlPoint::listed($project)->whereKeyNot($existing?->id)->orderBy('id')->get()->map(
            static fn (ControlPoint $c, int $i) => new PointRow($i + 1, $c->name, $c->position(), $c->code, ''),
        )->all());
        $extents = Design::of($project)->where('current', true)->get(['id', 'project_id', 'extent'])->map(static fn (Design $d) => $d->extent)->filter()->values()->all();
        $mark = TypedMark::examine($values['name'], $place, $others, new Surroundings(extent: $extents === [] ? null : [
            min(array_column($extents, 0)), min(array_column($extents, 1)), max(array_column($extents, 2)), max(array_column($extents, 3)),
        ]), $unit);
        if ($mark->isDoubtful()) {
            throw new NeedsConfirmation((new TypedMarks($project->length_style))->sentence($values['name'], $mark), 'doubtful');
        }
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
        $point = ControlPoint::of($project)->findOrFail($control);
        Preparation::step($project, "Deleted control {$point->name}", static fn (Preparation $step) => $step->delete($point), $evenHeld);
    }
}
