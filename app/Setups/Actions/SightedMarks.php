<?php

declare(strict_types=1);

namespace App\Setups\Actions;

use App\Control\ControlOrigin;
use App\Control\Models\ControlPoint;
use App\Instrument\Models\Observation;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Setups\Models\Setup;
use App\Setups\SetupMethod;
use App\Setups\SightedMark;
use App\Setups\SightedMarkToKeep;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Setups\MeasuredControl;

/** The marks of a given direction or of a baseline: sighted to turn the setup by, they can be kept as control with their uncertainty. */
final class SightedMarks
{
    private const WAYS = [SetupMethod::KnownDirection, SetupMethod::Baseline];

    /** @return list<SightedMark> of the setup that holds; none where it was made in another way */
    public static function of(Project $project): array
    {
        $setup = Setup::current($project)->first();
        if ($setup === null || ! in_array(SetupMethod::from($setup->method), self::WAYS, true)) {
            return [];
        }
        $kept = ControlPoint::of($project)->where('origin', ControlOrigin::Measured)->pluck('name', 'source');

        return self::readings($project, $setup)->map(static function (Observation $o) use ($setup, $kept): SightedMark {
            $found = MeasuredControl::of([[$setup->station(), $setup->found()->trusted(), $o->sight(), $o->ownAccuracy()]]);

            return new SightedMark($o->id, $found->place, $found->planDeviation, $found->heightDeviation, $kept[self::source($setup, $o)] ?? null);
        })->values()->all();
    }

    /** @throws \DomainException where the reading is none of them, or the name is taken */
    public function keep(Project $project, SightedMarkToKeep $body): ControlPoint
    {
        $name = PointName::checked($body->name);

        return DB::transaction(static function () use ($project, $body, $name): ControlPoint {
            $mark = array_values(array_filter(self::of($project), static fn (SightedMark $m) => $m->observationId === $body->observationId))[0]
                ?? throw new \DomainException('That mark is none of the setup that holds. Look at the setup again.');
            if ($mark->keptAs !== null) {
                throw new \DomainException("That mark is kept already, as “{$mark->keptAs}”.");
            }
            if (ControlPoint::of($project)->where('name', $name)->exists()) {
                throw new \DomainException("There is a control point “{$name}” already. Choose another name.");
            }
            $setup = Setup::current($project)->firstOrFail();
            $point = ControlPoint::query()->create([
                'project_id' => $project->id, 'name' => $name, 'code' => $body->code, 'description' => 'sighted from setup '.$setup->number,
                'northing' => $mark->place->northing, 'easting' => $mark->place->easting, 'elevation' => $mark->place->elevation,
                'source' => self::source($setup, Observation::query()->findOrFail($mark->observationId)),
                'origin' => ControlOrigin::Measured, 'held_fixed' => false,
                'plan_deviation' => $mark->planDeviation, 'height_deviation' => $mark->heightDeviation,
            ]);
            $project->changed();

            return $point;
        });
    }

    /** @return \Illuminate\Database\Eloquent\Collection<int, Observation> */
    private static function readings(Project $project, Setup $setup): \Illuminate\Database\Eloquent\Collection
    {
        $ids = array_column($setup->draft['shots'] ?? [], 'observationId');

        return Observation::of($project)->whereIn('id', $ids)->where('slope', '>', 0)->orderBy('id')->get();
    }

    /** By which a mark is known again. */
    private static function source(Setup $setup, Observation $o): string
    {
        return "setup {$setup->number}, reading of {$o->at}";
    }
}
