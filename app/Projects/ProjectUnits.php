<?php

declare(strict_types=1);

namespace App\Projects;

use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\CoordinateOrder;
use Parlay\Core\Units\DirectionStyle;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\StationStyle;

final readonly class ProjectUnits
{
    public function __construct(
        public LengthStyle $length,
        public AngleStyle $angle,
        public DirectionStyle $direction,
        public CoordinateOrder $order,
        public StationStyle $station,
    ) {}
}
