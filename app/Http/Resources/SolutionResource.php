<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;
use Parlay\Core\Setup\SetupSolution;
use Parlay\Core\Setup\SightResidual;

#[OA\Schema]
final readonly class SolutionResource
{
    /**
     * @param  list<ResidualResource>  $residuals
     *  @param  list<string>  $cautions
     *
     * ellipseMajor, ellipseMinor, ellipseAzimuth: half axes and direction of the 95 % ellipse of the place, from the deviations given beforehand.
     * passes: the global test; null with nothing to spare. farthest: distance of the farthest point still to be staked; reaches: how far that may be
     * off in plan for the setup’s sake, in 95 of 100 cases.
     */
    public function __construct(
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public float $orientation,
        public ?float $northingDeviation,
        public ?float $eastingDeviation,
        public ?float $heightDeviation,
        public ?float $orientationDeviation,
        #[ListOf(ResidualResource::class)]
        public array $residuals,
        public int $redundancy,
        public ?float $fit,
        #[ListOf('string')]
        public array $cautions,
        public ?float $ellipseMajor,
        public ?float $ellipseMinor,
        public ?float $ellipseAzimuth,
        public ?bool $passes,
        public ?float $farthest,
        public ?float $reaches,
    ) {}

    public static function of(SetupSolution $s, ?float $farthest = null): self
    {
        return new self(
            $s->station->mark->northing, $s->station->mark->easting, $s->station->mark->elevation, $s->station->orientation,
            $s->northingDeviation, $s->eastingDeviation, $s->heightDeviation, $s->orientationDeviation,
            array_map(static fn (SightResidual $r) => new ResidualResource($r->name, $r->used, $r->direction, $r->across, $r->distance, $r->height, $r->checked, $r->detectable, $r->normalised, $r->moves), $s->residuals),
            $s->redundancy, $s->fit, $s->cautions, $s->ellipse?->major, $s->ellipse?->minor, $s->ellipse?->azimuth, $s->passes, $farthest, $farthest === null ? null : $s->reachesTo($farthest),
        );
    }
}
