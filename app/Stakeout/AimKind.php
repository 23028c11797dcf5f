<?php

declare(strict_types=1);

namespace App\Stakeout;

/** What can be staked besides prepared points. */
enum AimKind: string
{
    /** a spot of a drawing, or a place that was pointed at otherwise */
    case Spot = 'spot';
    case Line = 'line';
    /** a place along a line */
    case Place = 'place';
    case Elevation = 'elevation';
    case Alignment = 'alignment';
    case Surface = 'surface';
    /** a plane face of a thing of a building model */
    case Face = 'face';
    /** the axis of a thing of a building model, or of a bolt or a hole of it */
    case Axis = 'axis';

    public function isCivil(): bool
    {
        return $this === self::Alignment || $this === self::Surface;
    }

    public function isOfModel(): bool
    {
        return $this === self::Face || $this === self::Axis;
    }

    /** What marks of it are named by, before their number. */
    public function series(): string
    {
        return match ($this) {
            self::Spot => 'S',
            self::Line => 'L',
            self::Place => '',
            self::Elevation => 'H',
            self::Alignment => 'A',
            self::Surface => 'GR',
            self::Face => 'F',
            self::Axis => 'X',
        };
    }
}
