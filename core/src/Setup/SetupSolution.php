<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Instrument\Station;

/** What would be accepted, with all that speaks for and against it. */
final readonly class SetupSolution
{
    /**
     * @param  float|null  $northingDeviation  standard deviation, metres; null where the place was given, not found
     * @param  float|null  $heightDeviation  null where no height was found
     * @param  float|null  $orientationDeviation  radians
     * @param  list<SightResidual>  $residuals  one for each sight, in the order given
     * @param  int  $redundancy  plan observations beyond what is needed
     * @param  float|null  $fit  square root of the variance factor; about 1 where residuals are as the accuracy says; null with none to spare
     * @param  list<string>  $cautions  sentences
     * @param  Ellipse|null  $ellipse  of the place, 95 %, from the deviations given beforehand
     * @param  bool|null  $passes  whether residuals are as the stated accuracy lets expect (global test, 2 %); null with none to spare
     */
    public function __construct(
        public Station $station,
        public ?float $northingDeviation,
        public ?float $eastingDeviation,
        public ?float $heightDeviation,
        public ?float $orientationDeviation,
        public array $residuals,
        public int $redundancy,
        public ?float $fit,
        public array $cautions,
        public ?Ellipse $ellipse = null,
        public ?bool $passes = null,
    ) {}

    /** How far a point so far off may be wrong in plan for the setup's sake, in 95 of 100 cases; null where the place was given, not found. */
    public function reachesTo(float $distance): ?float
    {
        return $this->ellipse === null || $this->orientationDeviation === null ? null : hypot($this->ellipse->major, Ellipse::NINETY_FIVE * $distance * $this->orientationDeviation);
    }
}
