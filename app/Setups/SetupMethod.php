<?php

declare(strict_types=1);

namespace App\Setups;

/** The ways to set up. */
enum SetupMethod: string
{
    case KnownBacksight = 'known_backsight';
    case KnownDirection = 'known_direction';
    case Resection = 'resection';
    case GridLines = 'grid_lines';
    case Baseline = 'baseline';
    case HeightOnly = 'height_only';
    case OrientationOnly = 'orientation_only';

    public function words(): string
    {
        return match ($this) {
            self::KnownBacksight => 'known point with backsight',
            self::KnownDirection => 'known point with a given direction',
            self::Resection => 'resection',
            self::GridLines => 'grid lines',
            self::Baseline => 'measured baseline',
            self::HeightOnly => 'height only',
            self::OrientationOnly => 'orientation only',
        };
    }

    /** Whether the station's place is found anew, so that it is a new point. */
    public function findsPlace(): bool
    {
        return in_array($this, [self::Resection, self::GridLines, self::Baseline], true);
    }

    /** Whether it keeps a part of the setup that holds. */
    public function isAgain(): bool
    {
        return $this === self::HeightOnly || $this === self::OrientationOnly;
    }
}
