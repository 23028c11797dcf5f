<?php

declare(strict_types=1);

namespace App\Setups\Actions;

use App\Control\ControlOrigin;
use App\Control\Models\ControlPoint;
use App\Instrument\Models\Observation;
use App\Instrument\Purpose;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Setups\ControlToKeep;
use App\Setups\Models\Setup;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\MeasuredControl;
use Parlay\Core\Setups\Precision;

/** New control from a setup, with the setup's uncertainty and the shot's; seen again, from here or from another setup, it is averaged. */
final class KeepMeasuredControl
{
    public function __invoke(Project $project, ControlToKeep $body): ControlPoint
    {
        $name = PointName::checked($body->name);

        return DB::transaction(static function () use ($project, $body, $name): ControlPoint {
            $last = Observation::of($project)->where('purpose', Purpose::Control->value)->findOrFail($body->observationId);
            if ($last->sighted !== $name) {
                throw new \DomainException("That shot was taken for “{$last->sighted}”. Measure “{$name}” again under its own name.");
            }
            $existing = ControlPoint::of($project)->where('name', $name)->first();
            if ($existing !== null && $existing->origin !== ControlOrigin::Measured) {
                throw new \DomainException(
                    "There is a control point “{$name}” already, and it was not measured from here. Choose another name; a shot on known control is a check shot.",
                );
            }
            $shots = self::shots($project, $name);
            $found = MeasuredControl::of($shots);
            $values = [
                'northing' => $found->place->northing, 'easting' => $found->place->easting, 'elevation' => $found->place->elevation,
                'plan_deviation' => $found->planDeviation, 'height_deviation' => $found->heightDeviation, 'held_fixed' => false,
                'description' => sprintf(
                    'mean of %d %s, at most %s from it', $found->shots, $found->shots === 1 ? 'shot' : 'shots',
                    $project->length_style->formatDeviation($found->largest),
                ),
            ];
            $point = $existing ?? new ControlPoint([
                'project_id' => $project->id, 'name' => $name, 'code' => $body->code, 'source' => 'measured from setups',
                'origin' => ControlOrigin::Measured,
            ]);
            $point->fill($values)->save();
            $project->changed();

            return $point;
        });
    }

    /** @return non-empty-list<array{Station, Precision, Sight, Accuracy}> every shot on it, each from its setup as it stands now */
    private static function shots(Project $project, string $name): array
    {
        $latest = $roots = [];
        foreach (Setup::of($project)->orderBy('id')->get() as $setup) {
            $latest[$setup->root()] = $setup;
            $roots[$setup->id] = $setup->root();
        }
        $shots = [];
        foreach (Observation::of($project)->where('purpose', Purpose::Control->value)->where('sighted', $name)->orderBy('id')->get() as $o) {
            $setup = $latest[$roots[$o->setup_id] ?? 0] ?? null;
            if ($setup !== null) {
                $shots[] = [$setup->station(), $setup->found()->trusted(), $o->sight(), $o->ownAccuracy()];
            }
        }

        return $shots !== [] ? $shots : throw new \DomainException('The setup of that shot is gone. Measure again.');
    }
}
