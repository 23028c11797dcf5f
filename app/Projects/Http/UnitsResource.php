<?php

declare(strict_types=1);

namespace App\Projects\Http;

use App\Projects\Models\Project;
use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\CoordinateOrder;
use Parlay\Core\Units\DirectionStyle;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\StationStyle;

final readonly class UnitsResource
{
    public function __construct(
        public LengthStyle $length,
        public AngleStyle $angle,
        public DirectionStyle $direction,
        public CoordinateOrder $order,
        public StationStyle $station,
    ) {}

    public static function of(Project $p): self
    {
        return new self($p->length_style, $p->angle_style, $p->direction_style, $p->coordinate_order, $p->station_style);
    }
}
