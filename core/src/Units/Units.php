<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** What a project shows; what is stored is always metres, radians and grid azimuths. */
final readonly class Units
{
    /** How a project writes its figures; nothing is computed by it. */
    public function __construct(
        public LengthStyle $length,
        public AngleStyle $angle,
        public DirectionStyle $direction,
        public CoordinateOrder $order,
        public StationStyle $station,
    ) {}
}
