<?php

declare(strict_types=1);

namespace App\Actions;

use App\Clock;
use App\Http\Bodies\SetupMethod;
use App\Http\Resources\SolutionResource;
use App\Models\ControlPoint;
use App\Models\Observation;
use App\Models\Project;
use App\Models\Setup;
use Illuminate\Support\Facades\DB;

/** Writes a setup into the field book with all it was accepted on; from now on everything is measured from it. */
final class AcceptSetup
{
    public function __construct(private readonly SolveSetup $solve) {}

    public function __invoke(Project $project, string $key): Setup
    {
        return DB::transaction(function () use ($project, $key): Setup {
            $stored = Setup::query()->where('project_id', $project->id)->where('key', $key)->first();
            if ($stored !== null) {
                return $stored;
            }
            $draft = SetupDrafts::of($project);
            $solution = ($this->solve)($project, $draft);
            $control = SolveSetup::control($project);
            $observations = SolveSetup::observations($project, $draft);
            $mark = $solution->station->mark;
            $setup = Setup::query()->create([
                'project_id' => $project->id, 'key' => $key, 'at' => Clock::stamp(), 'method' => $draft->method->value,
                'station_name' => $draft->method === SetupMethod::Resection ? 'free station' : (string) $control->get($draft->stationControlId)?->name,
                'northing' => $mark->northing, 'easting' => $mark->easting, 'elevation' => $mark->elevation,
                'orientation' => $solution->station->orientation, 'instrument_height' => $draft->instrumentHeight,
                'solution' => (array) SolutionResource::of($solution),
                'sights' => array_map(static fn ($s) => self::sight($control->get($s->controlId), $observations->get($s->observationId), $s->used), $draft->sights),
                'instrument' => $observations->last()->instrument ?? '',
                'computed_by' => config()->string('parlay.version'),
            ]);
            $project->changed();

            return $setup;
        });
    }

    /**
     * The control as it was used, so that a later correction can be worked through.
     *
     * @return array<string, mixed>
     */
    private static function sight(?ControlPoint $c, ?Observation $o, bool $used): array
    {
        return ['observationId' => $o?->id, 'used' => $used, 'controlId' => $c?->id, 'name' => $c?->name, 'northing' => $c?->northing, 'easting' => $c?->easting, 'elevation' => $c?->elevation];
    }
}
