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
    ) {}

    public static function of(SetupSolution $s): self
    {
        return new self(
            $s->station->mark->northing, $s->station->mark->easting, $s->station->mark->elevation, $s->station->orientation,
            $s->northingDeviation, $s->eastingDeviation, $s->heightDeviation, $s->orientationDeviation,
            array_map(static fn (SightResidual $r) => new ResidualResource($r->name, $r->used, $r->direction, $r->across, $r->distance, $r->height), $s->residuals),
            $s->redundancy, $s->fit, $s->cautions,
        );
    }
}
