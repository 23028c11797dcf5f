<?php

declare(strict_types=1);

namespace App\Projects;

use Parlay\Core\Units\Units;

final readonly class ProjectSettings
{
    /** @param  float|null  $residualLimit  what is accepted of a setup's residuals, metres; null leaves it to the statistical test alone */
    public function __construct(
        public string $name,
        public Units $units,
        public float $planTolerance = 0.005,
        public float $heightTolerance = 0.005,
        public ?float $residualLimit = null,
        public ?ProjectSettings $seen = null,
    ) {}
}
