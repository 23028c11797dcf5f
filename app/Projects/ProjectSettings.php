<?php

declare(strict_types=1);

namespace App\Projects;

use Parlay\Core\Stakeout\Acceptance;
use Parlay\Core\Units\Units;

final readonly class ProjectSettings
{
    /**
     * @param  float|null  $aboveTolerance  what may stand above its design, metres; null where it is what may stand below
     * @param  float|null  $plumbOneIn  what is built stands out of plumb by one in so many at most; null where that is only told
     * @param  float|null  $flatTolerance  a face is flat within so many metres; null where that is only told
     * @param  float|null  $residualLimit  what is accepted of a setup's residuals, metres; null leaves it to the statistical test alone
     * @param  Acceptance  $acceptance  by what rule a mark conforms to its tolerance
     * @param  float  $acceptanceLevel  probability that the guarded rule asks for, 0.5 to 0.999
     */
    public function __construct(
        public string $name,
        public Units $units,
        public float $planTolerance = 0.005,
        public float $heightTolerance = 0.005,
        public ?float $residualLimit = null,
        public Acceptance $acceptance = Acceptance::Simple,
        public float $acceptanceLevel = 0.95,
        public ?ProjectSettings $seen = null,
        public ?float $aboveTolerance = null,
        public ?float $plumbOneIn = null,
        public ?float $flatTolerance = null,
    ) {}
}
