<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Words\Cautions;

final readonly class SolutionEntry
{
    /**
     * @param  list<ResidualEntry>  $residuals
     * @param  list<string>  $cautions
     * @param  list<ShotResidualEntry>  $shots  along lines, in the order of the draft
     * @param  list<float>  $covariance  of northing, easting and orientation, row by row
     *
     * ellipseMajor, ellipseMinor, ellipseAzimuth: half axes and direction of the 95 % ellipse of the place, from the deviations given beforehand; afterwards: by what
     * it is to be multiplied to be the one from the residuals. passes: the global test; null with nothing to spare. farthest: distance of the farthest point still to be staked; reaches: how far that may be
     * off in plan for the setup’s sake, in 95 of 100 cases. scalePpm, scaleDeviation: of a free scale. suspectShot: number, from 0, of the shot along a line that fits worst, where it fits too badly.
     */
    public function __construct(
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public float $orientation,
        public bool $oriented,
        public bool $placeFound,
        public float $northingDeviation,
        public float $eastingDeviation,
        public ?float $heightDeviation,
        public ?float $orientationDeviation,
        #[ListOf(ResidualEntry::class)]
        public array $residuals,
        public int $redundancy,
        public ?float $unitWeightDeviation,
        #[ListOf('string')]
        public array $cautions,
        public float $ellipseMajor,
        public float $ellipseMinor,
        public float $ellipseAzimuth,
        public ?float $afterwards,
        public float $correlation,
        public ?bool $passes,
        public ?float $farthest,
        public ?float $reaches,
        public ?float $scalePpm,
        public ?float $scaleDeviation,
        #[ListOf('float')]
        public array $covariance,
        #[ListOf(ShotResidualEntry::class)]
        public array $shots,
        public ?int $suspectShot,
    ) {}

    public static function of(SetupSolution $s, ?Position $farthest = null): self
    {
        $mark = $s->station->mark;
        $ellipse = $s->precision->ellipse();
        $after = $s->ellipseAfterwards();

        return new self(
            $mark->northing, $mark->easting, $mark->elevation, $s->station->orientation, $s->isOriented(), $s->placeFound,
            $s->precision->northing(), $s->precision->easting(), $s->precision->height(), $s->precision->orientation(),
            array_map(ResidualEntry::of(...), $s->residuals), $s->redundancy, $s->unitWeightDeviation, Cautions::sentences($s->cautions),
            $ellipse->major, $ellipse->minor, $ellipse->azimuth, $after === null || $ellipse->major <= 0.0 ? null : $after->major / $ellipse->major, $s->precision->correlation(0, 1),
            $s->passes, $farthest === null ? null : $mark->distanceTo($farthest), $farthest === null ? null : $s->reachesTo($farthest),
            $s->scale?->ppm, $s->scale?->deviation, array_merge(...$s->precision->plan), array_map(ShotResidualEntry::of(...), $s->shots), $s->suspectShot(),
        );
    }
}
