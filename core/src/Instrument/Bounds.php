<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/**
 * Whether a figure lies where it can. What is no number lies nowhere: that is asked first, for PHP's compiler at run time compares it
 * otherwise than the language does.
 */
final class Bounds
{
    /** The bounds themselves are taken. */
    public static function hold(float $x, float $low, float $high): bool
    {
        return is_finite($x) && $x >= $low && $x <= $high;
    }

    /** The upper bound is not taken. */
    public static function holdBelow(float $x, float $low, float $high): bool
    {
        return is_finite($x) && $x >= $low && $x < $high;
    }

    /** Neither bound is taken. */
    public static function holdInside(float $x, float $low, float $high): bool
    {
        return is_finite($x) && $x > $low && $x < $high;
    }
}
