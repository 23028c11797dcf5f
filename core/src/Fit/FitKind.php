<?php

declare(strict_types=1);

namespace Parlay\Core\Fit;

/** What may change when one set of points is fitted to another. */
enum FitKind: string
{
    case ShiftAndRotation = 'shiftAndRotation';
    case WithScale = 'withScale';
    case Affine = 'affine';

    /** How many unknowns it has. */
    public function unknowns(): int
    {
        return match ($this) {
            self::ShiftAndRotation => 3,
            self::WithScale => 4,
            self::Affine => 6,
        };
    }

    /** How many pairs it needs at least. */
    public function least(): int
    {
        return $this === self::Affine ? 3 : 2;
    }

    /** As people call it. */
    public function words(): string
    {
        return match ($this) {
            self::ShiftAndRotation => 'a fit by shift and rotation',
            self::WithScale => 'a fit by shift, rotation and scale',
            self::Affine => 'an affine fit',
        };
    }
}
