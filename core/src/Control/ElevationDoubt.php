<?php

declare(strict_types=1);

namespace Parlay\Core\Control;

/**
 * An elevation that can hardly belong to the site of this control: that of a drawing made without heights, or in another system.
 * Common practice, no source.
 */
final readonly class ElevationDoubt
{
    /** Nothing of a site lies farther below its lowest control, or above its highest; metres. */
    private const BELOW = 50.0;

    private const ABOVE = 200.0;

    /** What is drawn at 0 exactly was hardly meant, where the control lies farther off than this; metres. */
    private const FROM_ZERO = 2.0;

    private const ZERO = 1e-9;

    /** @param  float  $beyond  metres above the highest control; negative below the lowest */
    private function __construct(public float $elevation, public float $beyond) {}

    /**
     * @param  list<float>  $control  elevations of the control
     * @return self|null null where nothing is to be said of it
     */
    public static function of(?float $elevation, array $control): ?self
    {
        if ($elevation === null || $control === []) {
            return null;
        }
        [$lowest, $highest] = [min($control), max($control)];
        $beyond = $elevation - max($lowest, min($highest, $elevation));
        $far = abs($elevation) < self::ZERO ? abs($beyond) > self::FROM_ZERO : $beyond < -self::BELOW || $beyond > self::ABOVE;

        return $far ? new self($elevation, $beyond) : null;
    }
}
