<?php

declare(strict_types=1);

namespace App\Setups;

use App\Projects\Models\Project;
use App\Setups\Actions\AcceptSetup;
use App\Setups\Actions\SetupDrafts;
use App\Setups\Actions\SolveSetup;
use Parlay\Core\Setups\Blunders\Explanation;
use Parlay\Core\Setups\MarksApart;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Words\Explanations;
use Parlay\Words\Weaknesses;

/** The setup being made as it is shown: what was given, what it gives, what speaks against it. */
final class DraftView
{
    public static function of(Project $project, SolveSetup $solve): SetupState
    {
        $in = DraftInputs::of($project, SetupDrafts::of($project));
        $solved = $problem = $farthest = null;
        try {
            $solved = $solve($in);
            $farthest = SolveSetup::farthest($project, $solved->solution()->station->mark);
        } catch (\DomainException $e) {
            $problem = $e->getMessage();
        }
        $why = $solve->explanations($in);
        $words = new Explanations($project->length_style, $project->angle_style);
        $weakness = $solved === null ? null : SolveSetup::weakness($in, $solved, $farthest);

        return new SetupState(
            draft: self::draft($in),
            solution: $solved === null ? null : SolutionEntry::of($solved->solution(), $farthest),
            places: $solved === null ? [] : self::places($in, $solved),
            problem: $problem,
            weakness: $weakness === null ? null : (new Weaknesses($project->length_style))->sentence($weakness),
            current: $in->current === null ? null : AcceptedSetup::of($in->current),
            explanations: $why === null
                ? null
                : array_map(static fn (Explanation $e) => ExplanationEntry::of($e, $why[0]->score(), $words), $why),
            angleOff: $solved?->angle['off'] ?? null,
            angleDeviation: $solved?->angle['deviation'] ?? null,
            apart: $in->draft->method === SetupMethod::Resection ? MarksApart::of($in->sights(), $in->accuracy()) : null,
            baselineLength: $solved?->baseline?->length,
            turned: $solved?->baseline === null || $in->current === null
                ? null
                : app(MeasuredFrom::class)->turned($project, $in->current, $solved->solution()),
            beyondLimit: $solved === null || $project->residual_limit === null
                ? []
                : $solved->solution()->beyond((float) $project->residual_limit),
        );
    }

    /** @return list<PossiblePlace> */
    private static function places(DraftInputs $in, SolvedDraft $solved): array
    {
        return array_map(static function (int $i, SetupSolution $s) use ($in, $solved): PossiblePlace {
            $grid = $solved->gridPlaces[$i] ?? null;
            $baseline = $solved->baseline;
            $shots = match (true) {
                $grid !== null => $grid->shots,
                $baseline !== null => [$baseline->from, $baseline->to],
                $in->draft->method === SetupMethod::KnownDirection => array_map(
                    static fn (SightMean $mean) => $s->station->locate($mean->sight), $in->otherSights(),
                ),
                default => [],
            };

            return new PossiblePlace($s->station, $grid?->onDrawn, $shots);
        }, array_keys($solved->places), $solved->places);
    }

    private static function draft(DraftInputs $in): DraftEntry
    {
        $d = $in->draft;
        $sights = array_map(static function (DraftSight $s) use ($in): ?DraftSightEntry {
            $o = $in->observations->get($s->observationId);
            $name = $in->control->get($s->controlId)?->name;

            $mean = $in->mean($s);

            return $o === null || $name === null || $mean === null ? null : DraftSightEntry::of($s, $o, $name, $mean);
        }, $d->sights);
        $shots = array_map(static function (DraftShot $s) use ($in): ?DraftShotEntry {
            $o = $in->observations->get($s->observationId);

            return $o === null ? null : new DraftShotEntry(
                $s->line, $o->id, $s->used, $o->circle, $o->zenith, $o->slope, $o->sight()->distance, $o->target_height,
            );
        }, $d->shots);

        return new DraftEntry(
            method: $d->method,
            stationControlId: $d->stationControlId,
            instrumentHeight: $d->instrumentHeight,
            heightMode: $d->heightMode,
            slantedHeight: $d->slantedHeight,
            targetHeight: $d->targetHeight,
            prismConstant: $d->prismConstant,
            pressure: $d->pressure,
            temperature: $d->temperature,
            humidity: $d->humidity,
            refraction: $d->refraction,
            airMode: $d->airMode,
            ppmTyped: $d->ppm,
            ppm: $d->air()->ppm(),
            scale: $d->scale,
            instrumentId: $d->instrumentId,
            targetId: $d->targetId,
            dot: $d->dot,
            stationName: $d->stationName,
            nextName: AcceptSetup::stationName($in),
            azimuth: $d->azimuth,
            length: $d->length,
            assumedNorthing: $d->assumedNorthing,
            assumedEasting: $d->assumedEasting,
            assumedElevation: $d->assumedElevation,
            sights: array_values(array_filter($sights)),
            lines: array_map(DraftLineEntry::of(...), $d->lines),
            shots: array_values(array_filter($shots)),
            place: $d->place,
            oneFace: $d->oneFace,
            turnEarlier: $d->turnEarlier,
            airAt: $d->airAt,
            airDue: $d->isAirDue(),
            heightDue: $d->isHeightDue(),
            targetDue: ! $d->targetTold,
        );
    }
}
