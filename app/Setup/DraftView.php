<?php

declare(strict_types=1);

namespace App\Setup;

use App\Actions\AcceptSetup;
use App\Actions\SetupDrafts;
use App\Actions\SolveSetup;
use App\Http\Bodies\DraftShotBody;
use App\Http\Bodies\DraftSightBody;
use App\Http\Resources\AcceptedSetup;
use App\Http\Resources\DraftLineResource;
use App\Http\Resources\DraftResource;
use App\Http\Resources\DraftShotResource;
use App\Http\Resources\DraftSightResource;
use App\Http\Resources\ExplanationResource;
use App\Http\Resources\MendedSetupResource;
use App\Http\Resources\PlaceResource;
use App\Http\Resources\PositionResource;
use App\Http\Resources\SetupState;
use App\Http\Resources\SolutionResource;
use App\Models\Project;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setup\SetupSolution;
use Parlay\Core\Setup\Why\Explanation;

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

        return new SetupState(
            self::draft($in), $solved === null ? null : SolutionResource::of($solved->solution(), $farthest), $solved === null ? [] : self::places($in, $solved), $problem,
            $solved === null ? null : SolveSetup::weakness($in, $solved, $farthest),
            $in->current === null ? null : AcceptedSetup::of($in->current),
            $why === null ? null : array_map(static fn (Explanation $e) => ExplanationResource::of($e, $why[0]->score()), $why),
            $solved?->angle['off'] ?? null, $solved?->angle['deviation'] ?? null, $solved?->baseline?->length,
            $solved?->baseline === null || $in->current === null ? null : MendedSetupResource::of(Mending::turned($project, $in->current, $solved->solution())),
            $solved === null || $project->residual_limit === null ? [] : $solved->solution()->beyond((float) $project->residual_limit),
        );
    }

    /** @return list<PlaceResource> */
    private static function places(DraftInputs $in, SolvedDraft $solved): array
    {
        return array_map(static function (int $i, SetupSolution $s) use ($in, $solved): PlaceResource {
            $grid = $solved->gridPlaces[$i] ?? null;
            $baseline = $solved->baseline;
            $shots = match (true) {
                $grid !== null => $grid->shots,
                $baseline !== null => [$baseline->from, $baseline->to],
                $in->draft->method === SetupMethod::KnownDirection => array_map(static fn (SightMean $mean) => $s->station->locate($mean->sight), $in->otherSights()),
                default => [],
            };

            return new PlaceResource(
                $s->station->mark->northing, $s->station->mark->easting, $s->station->orientation, $grid?->onDrawn,
                array_map(static fn (Position $p) => PositionResource::of($p), $shots),
            );
        }, array_keys($solved->places), $solved->places);
    }

    private static function draft(DraftInputs $in): DraftResource
    {
        $d = $in->draft;
        $sights = array_map(static function (DraftSightBody $s) use ($in): ?DraftSightResource {
            $o = $in->observations->get($s->observationId);
            $name = $in->control->get($s->controlId)?->name;

            $mean = $in->mean($s);

            return $o === null || $name === null || $mean === null ? null : DraftSightResource::of($s, $o, $name, $mean);
        }, $d->sights);
        $shots = array_map(static function (DraftShotBody $s) use ($in): ?DraftShotResource {
            $o = $in->observations->get($s->observationId);

            return $o === null ? null : new DraftShotResource($s->line, $o->id, $s->used, $o->circle, $o->zenith, $o->slope, $o->sight()->distance, $o->target_height);
        }, $d->shots);

        return new DraftResource(
            $d->method, $d->stationControlId, $d->instrumentHeight, $d->heightMode, $d->slantedHeight, $d->targetHeight, $d->prismConstant,
            $d->pressure, $d->temperature, $d->humidity, $d->refraction, $d->airMode, $d->ppm, $d->air()->ppm(), $d->scale, $d->instrumentId, $d->targetId,
            $d->stationName, AcceptSetup::stationName($in), $d->azimuth, $d->length, $d->assumedNorthing, $d->assumedEasting, $d->assumedElevation,
            array_values(array_filter($sights)), array_map(DraftLineResource::of(...), $d->lines), array_values(array_filter($shots)), $d->place, $d->oneFace, $d->turnEarlier,
        );
    }
}
