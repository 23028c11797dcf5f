<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Geometry\Position;

/** How well a point could be staked for the setup’s sake: its 95 % ellipse. */
final readonly class PointPrecision
{
    public function __construct(
        public string $name,
        public Position $position,
        public Ellipse $ellipse,
    ) {}
}
