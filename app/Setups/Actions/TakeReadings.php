<?php

declare(strict_types=1);

namespace App\Setups\Actions;

use App\Clock;
use App\Control\Models\ControlPoint;
use App\Instrument\Models\Instrument;
use App\Instrument\Models\Observation;
use App\KeyTaken;
use App\Projects\Models\Project;
use App\Setups\Conditions;
use App\Setups\Draft;
use App\Setups\DraftShot;
use App\Setups\DraftSight;
use App\Setups\RawSight;
use App\Setups\RawText;
use App\Setups\TypedReading;
use App\Setups\TypedReadings;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Formats\RawText\RawObservations;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Rounds;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Units\Angle;

/**
 * Readings without a link: typed from the display, or from a file of raw observations. They go into the same field book and the same
 * draft.
 */
final class TakeReadings
{
    /** What a file holds, each point's readings made into one; stores nothing. */
    public static function preview(Project $project, string $text): RawText
    {
        $read = RawObservations::read($text, $project->angle_style, $project->length_style);
        $ids = ControlPoint::of($project)->pluck('id', 'name');
        $problems = $read->problems;
        $byName = [];
        foreach ($read->rows as $row) {
            $byName[$row->name][] = $row;
            if (! isset($ids[$row->name])) {
                $problems[] = "Line {$row->line}: no control point is called “{$row->name}”. Bring it in as control, or mend the name.";
            }
        }
        $sights = [];
        foreach ($byName as $name => $rows) {
            $rounds = Rounds::of(array_map(static fn ($row) => $row->reading, $rows));
            $sights[] = new RawSight((string) $name, isset($ids[$name]) ? (int) $ids[$name] : null, $rows[0]->targetHeight, $rounds);
        }

        return new RawText($sights, $problems);
    }

    public function __invoke(Project $project, TypedReadings $body): void
    {
        DB::transaction(function () use ($project, $body): void {
            $draft = SetupDrafts::of($project);
            foreach ($body->readings as $i => $reading) {
                $draft = $this->take($project, $draft, $reading, "{$body->key}-$i");
            }
            SetupDrafts::keep($project, $draft);
        });
    }

    private function take(Project $project, Draft $draft, TypedReading $r, string $key): Draft
    {
        if (! ($r->zenith > 0 && $r->zenith < M_PI)
            || $r->slope < 0
            || $r->slope > 20_000
            || ! ($r->angleFactor > 0 && $r->angleFactor <= 10)) {
            throw new \DomainException(
                'A zenith angle lies between straight up (0) and straight down (half a turn), and a slope distance between 0 and 20 km.',
            );
        }
        $height = $r->targetHeight ?? $draft->targetHeight;
        new Target($height, $draft->prismConstant);
        $mark = $r->controlId === null ? null : ControlPoint::of($project)->findOrFail($r->controlId);
        $conditions = Conditions::of($project, $draft);
        $stated = Accuracy::stated(2, 1, 1.5);
        // A mean of two faces has the instrument's own errors in it no more.
        $instrument = $r->angleFactor > 1.0 && $draft->instrumentId !== null ? Instrument::of($project)->find($draft->instrumentId) : null;
        $observation = Observation::query()->firstOrCreate(['project_id' => $project->id, 'key' => $key], [
            'at' => Clock::stamp(), 'purpose' => 'setup', 'sighted' => $mark->name ?? $r->line, 'setup_id' => null,
            'circle' => $r->circle, 'zenith' => $r->zenith, 'slope' => $r->slope,
            'ppm_applied' => $r->ppmApplied, 'prism_constant_applied' => $r->prismConstantApplied,
            'target_height' => $height, 'prism_constant' => $draft->prismConstant,
            'pressure' => $draft->pressure, 'temperature' => $draft->temperature,
            'humidity' => $draft->humidity, 'refraction' => $draft->refraction,
            'ppm_given' => $draft->ppmInUse, 'scale' => $draft->scale, 'angles' => $r->angleFactor,
            'collimation' => Angle::fromSeconds($instrument->collimation_seconds ?? 0.0),
            'index_error' => Angle::fromSeconds($instrument->index_seconds ?? 0.0), 'target_name' => $conditions['target'],
            'instrument' => trim(($conditions['instrument'] ?? '').' typed'),
            'accuracy' => $conditions['accuracy'] ?? $stated->figures(),
        ]);
        if (! $observation->wasRecentlyCreated) {
            KeyTaken::unlessSame('reading', self::wished(
                $observation->circle, $observation->zenith, $observation->slope, $observation->sighted,
            ),
                self::wished($r->circle, $r->zenith, $r->slope, $mark->name ?? $r->line));
        }
        if ($mark === null) {
            return new Draft(...['shots' => [...$draft->shots, new DraftShot($r->line, $observation->id)]] + get_object_vars($draft));
        }
        $others = array_values(array_filter($draft->sights, static fn (DraftSight $s) => $s->controlId !== $mark->id));

        return new Draft(...['sights' => [...$others, new DraftSight($mark->id, $observation->id)]] + get_object_vars($draft));
    }

    /** @return array<string, string> to the digits that the database keeps */
    private static function wished(float $circle, float $zenith, float $slope, string $name): array
    {
        return [
            'circle' => sprintf('%.8f', $circle), 'zenith' => sprintf('%.8f', $zenith), 'distance' => sprintf('%.6f', $slope),
            'name' => $name,
        ];
    }
}
