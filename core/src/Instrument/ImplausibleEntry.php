<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

use Parlay\Core\Units\SaysLengths;

/** A figure typed for the instrument that no site has; most often a wrong unit. */
final class ImplausibleEntry extends SaysLengths
{
    /** Of an instrument or a target, metres. */
    public const HIGHEST = 6.0;

    /** Hectopascals. */
    public static function pressure(float $hpa): self
    {
        return new self(sprintf(
            'Air pressure %s hPa is not between 500 and 1100. Give it in hectopascal as read at the instrument, not reduced to sea level.',
            $hpa,
        ));
    }

    /** Degrees Celsius. */
    public static function temperature(float $celsius): self
    {
        return new self(sprintf('Temperature %s °C is not between -40 and 60.', $celsius));
    }

    /** @param  string  $what  begins the sentence */
    public static function height(string $what, float $metres): self
    {
        return new self("$what of %s is not between 0 and %s. Check the unit it was typed in.", $metres, self::HIGHEST);
    }

    /** Metres. */
    public static function prismConstant(float $metres): self
    {
        return new self(sprintf(
            'A prism constant of %s mm is beyond 100 mm either way. It is a figure in millimetres, such as -34.4 or 0.',
            round($metres * 1000, 2),
        ));
    }

    /** @param  float  $part  of saturation, 0 to 1 */
    public static function humidity(float $part): self
    {
        return new self(sprintf('A humidity of %.0f %% cannot be. It lies between 0 and 100 %%.', 100 * $part));
    }

    /** @param  float  $k  coefficient, about 0.13 */
    public static function refraction(float $k): self
    {
        return new self(sprintf(
            'A coefficient of refraction of %s cannot be. By day it is about 0.14, and it lies between -4 and 4 even close over hot '
                .'or cold ground.',
            $k,
        ));
    }

    /** Parts of a million of the distance. */
    public static function ppm(float $ppm): self
    {
        return new self(sprintf('A correction of %.0f ppm cannot be. It lies within 1000 ppm of none.', $ppm));
    }

    /** What an instrument states of itself lies out of all bounds. */
    public static function accuracy(): self
    {
        return new self(
            'An instrument’s accuracy lies above 0 and below half a degree for angles, and above 0 and below 1 m for distances; '
                .'figures of 1″ to 10″ and 1 to 5 mm are usual. Look where it was entered.',
        );
    }

    /** Grid length of a length of 1. */
    public static function scale(float $scale): self
    {
        return new self(sprintf('A scale factor of %s cannot be. It lies between 0.9 and 1.1.', $scale));
    }

    /**
     * @param  float  $slanted  metres along the tape
     * @param  float  $radius  metres from the axis to the notch
     */
    public static function slanted(float $slanted, float $radius): self
    {
        return new self('A slanted height of %s is shorter than the notch’s radius of %s. Measure it again, or look at the instrument’s notch.', $slanted, $radius);
    }
}
