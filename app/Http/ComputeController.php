<?php

declare(strict_types=1);

namespace App\Http;

use App\Cogo\Http\PositionBody;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Instrument\Http\ReadingBody;
use App\Setups\Http\ComputeSetupBody;
use App\Setups\Http\ControlReadingBody;
use App\Setups\SetupMethod;
use App\Setups\SolutionEntry;
use App\Stakeout\Http\ComputeGuidanceBody;
use App\Units\Http\AngleQuery;
use App\Units\Http\AngleReading;
use App\Units\Http\AngleTextQuery;
use App\Units\Http\LengthQuery;
use App\Units\Http\LengthReading;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\KnownPoint;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Stakeout\Guidance;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Core\Units\AngleText;
use Parlay\Core\Units\LengthText;

/** Parlay as a calculator: everything here is computed and nothing stored. */
final class ComputeController
{
    #[Get('/ping', 'Answers, and does nothing else', PingResource::class)]
    public function ping(): JsonResponse
    {
        return new JsonResponse(new PingResource(config()->string('parlay.version')));
    }

    #[Get('/compute/length', 'Reads a length as people type it; where two readings remain both are given', LengthReading::class, list: true, query: LengthQuery::class)]
    public function length(Request $request): JsonResponse
    {
        $query = Body::read($request, LengthQuery::class);

        return new JsonResponse(array_map(
            static fn (float $m) => new LengthReading($m, $query->style->format($m)), LengthText::read($query->text, $query->style),
        ));
    }

    #[Get('/compute/angle', 'Reads a direction or an angle as people type it', AngleReading::class, query: AngleQuery::class)]
    public function angle(Request $request): JsonResponse
    {
        $query = Body::read($request, AngleQuery::class);
        $radians = $query->direction ? AngleText::direction($query->text, $query->style) : AngleText::angle($query->text, $query->style);

        return new JsonResponse(self::written($radians, $query));
    }

    #[Get('/compute/angle-text', 'Writes a direction or an angle as a project writes it: azimuth or bearing', AngleReading::class, query: AngleTextQuery::class)]
    public function angleText(Request $request): JsonResponse
    {
        $query = Body::read($request, AngleTextQuery::class);

        return new JsonResponse(self::written($query->radians, $query));
    }

    private static function written(float $radians, AngleQuery|AngleTextQuery $how): AngleReading
    {
        $finer = max(0, min(4, $how->finer));

        return new AngleReading(
            $radians, $how->direction ? $how->as->format($radians, $how->style, $finer) : $how->style->format($radians, $finer),
        );
    }

    #[Post('/compute/sight', 'Reduces a raw reading', ReadingBody::class, Sight::class)]
    public function sight(Request $request): JsonResponse
    {
        return new JsonResponse(self::reduced(Body::read($request, ReadingBody::class)));
    }

    #[Post('/compute/setup', 'Solves a setup from control and raw readings', ComputeSetupBody::class, SolutionEntry::class)]
    public function setup(Request $request): JsonResponse
    {
        $body = Body::read($request, ComputeSetupBody::class);
        $accuracy = Accuracy::stated($body->angleSeconds, $body->distanceMillimetres, $body->distancePpm);
        $sights = array_map(static fn (ControlReadingBody $s) => new ControlSight(
            name: $s->name,
            control: self::position($s->control),
            sight: self::reduced($s->reading),
            plan: $s->plan,
            height: $s->height,
            direction: $s->direction,
            distance: $s->distance,
            planDeviation: $s->planDeviation,
            heightDeviation: $s->heightDeviation,
        ), $body->sights);
        if ($body->method === SetupMethod::Resection) {
            return new JsonResponse(SolutionEntry::of(Resection::solve($sights, $body->instrumentHeight, $accuracy)));
        }
        if ($body->method !== SetupMethod::KnownBacksight || $body->station === null) {
            throw new \DomainException(
                'Resections and known backsights can be computed here; a known backsight needs the station’s coordinates.',
            );
        }

        return new JsonResponse(
            SolutionEntry::of((new KnownPoint(self::position($body->station), $body->instrumentHeight, $accuracy))->onBacksights($sights)),
        );
    }

    #[Post('/compute/guidance', 'How to move a pole onto a design place', ComputeGuidanceBody::class, Guidance::class)]
    public function guidance(Request $request): JsonResponse
    {
        $body = Body::read($request, ComputeGuidanceBody::class);
        $guidance = Guidance::from(
            self::position($body->instrument), self::position($body->pole), self::position($body->design),
            new Tolerance($body->planTolerance, $body->heightTolerance, $body->aboveTolerance),
        );

        return new JsonResponse($guidance);
    }

    private static function position(PositionBody $p): Position
    {
        return new Position($p->northing, $p->easting, $p->elevation);
    }

    private static function reduced(ReadingBody $r): Sight
    {
        return Sight::reduce(
            new RawReading($r->circle, $r->zenith, $r->slope, $r->ppmApplied, $r->prismConstantApplied),
            new Atmosphere($r->pressure, $r->temperature),
            new Target($r->targetHeight, $r->prismConstant),
        );
    }
}
