<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** What of a sight enters the adjustment. */
enum ObservedKind: string
{
    case Direction = 'direction';
    case SlopeDistance = 'slopeDistance';
    case ZenithAngle = 'zenithAngle';
    /** where the sight gives no height */
    case HorizontalDistance = 'horizontalDistance';
    /** where the sight gives only a height */
    case Rise = 'rise';

    /** Radians for angles, metres for the rest. */
    public function isAngle(): bool
    {
        return $this === self::Direction || $this === self::ZenithAngle;
    }
}
