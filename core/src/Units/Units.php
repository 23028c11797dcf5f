<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** What a project shows; what is stored is always metres, radians and grid azimuths. */
final readonly class Units
{
    public function __construct(
        public LengthStyle $length = LengthStyle::Metres,
        public AngleStyle $angle = AngleStyle::DegreesMinutesSeconds,
        public DirectionStyle $direction = DirectionStyle::Azimuth,
        public CoordinateOrder $order = CoordinateOrder::NorthingEasting,
        public StationStyle $station = StationStyle::Thousands,
    ) {}
}
