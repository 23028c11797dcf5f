<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Station;
use Parlay\Core\ListOf;
use Parlay\Core\Setups\FreeScale;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Core\Setups\ShotResidual;
use Parlay\Core\Setups\SightResidual;
use Parlay\Words\Cautions;

final readonly class SolutionEntry
{
    /**
     * @param  list<SightResidual>  $residuals
     * @param  list<string>  $cautions
     * @param  list<ShotResidual>  $shots  along lines, in the order of the draft
     * @param  list<float>  $covariance  of northing, easting and orientation, row by row
     *
     * ellipse: of the place, 95 %, from the deviations given beforehand; afterwards: by what it is to be multiplied to be the one from
     * the residuals. passes: the global test; null with nothing to spare. farthest: distance of the farthest point still to be staked;
     * reaches: how far that may be off in plan for the setup’s sake, in 95 of 100 cases. suspectShot: number, from 0, of the shot along
     * a line that fits worst, where it fits too badly.
     */
    public function __construct(
        public Station $station,
        public bool $oriented,
        public bool $placeFound,
        public float $northingDeviation,
        public float $eastingDeviation,
        public ?float $heightDeviation,
        public ?float $orientationDeviation,
        #[ListOf(SightResidual::class)]
        public array $residuals,
        public int $redundancy,
        public ?float $unitWeightDeviation,
        #[ListOf('string')]
        public array $cautions,
        public Ellipse $ellipse,
        public ?float $afterwards,
        public float $correlation,
        public ?bool $passes,
        public ?float $farthest,
        public ?float $reaches,
        public ?FreeScale $scale,
        #[ListOf('float')]
        public array $covariance,
        #[ListOf(ShotResidual::class)]
        public array $shots,
        public ?int $suspectShot,
    ) {}

    public static function of(SetupSolution $s, ?Position $farthest = null): self
    {
        $ellipse = $s->precision->ellipse();
        $after = $s->ellipseAfterwards();

        return new self(
            station: $s->station, oriented: $s->isOriented(), placeFound: $s->placeFound,
            northingDeviation: $s->precision->northing(), eastingDeviation: $s->precision->easting(),
            heightDeviation: $s->precision->height(), orientationDeviation: $s->precision->orientation(),
            residuals: $s->residuals, redundancy: $s->redundancy,
            unitWeightDeviation: $s->unitWeightDeviation, cautions: Cautions::sentences($s->cautions),
            ellipse: $ellipse, afterwards: $after === null || $ellipse->major <= 0.0 ? null : $after->major / $ellipse->major,
            correlation: $s->precision->correlation(0, 1),
            passes: $s->passes, farthest: $farthest === null ? null : $s->station->mark->distanceTo($farthest),
            reaches: $farthest === null ? null : $s->reachesTo($farthest),
            scale: $s->scale, covariance: array_merge(...$s->precision->plan), shots: $s->shots, suspectShot: $s->suspectShot(),
        );
    }
}
