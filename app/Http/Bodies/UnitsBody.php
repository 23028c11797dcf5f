<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;
use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\CoordinateOrder;
use Parlay\Core\Units\DirectionStyle;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\StationStyle;

#[OA\Schema]
final readonly class UnitsBody
{
    public function __construct(
        public LengthStyle $length,
        public AngleStyle $angle,
        public DirectionStyle $direction,
        public CoordinateOrder $order,
        public StationStyle $station,
    ) {}
}
