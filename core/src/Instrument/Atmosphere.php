<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/**
 * The air between instrument and prism.
 *
 * Refractivity by the closed formulae of the IAG resolution of 1999 (stated accuracy 1 ppm): group index at 0 °C, 1013.25 hPa, then
 * N = (273.15/1013.25)(N·P/T) − 11.27·e/T. Vapour pressure from relative humidity by the Magnus formula; the humidity is
 * assumed when nobody measured it, since from dry to saturated at 20 °C it moves the correction by under 1 ppm.
 */
final readonly class Atmosphere
{
    /** A visible red carrier, vacuum wavelength in micrometres. */
    public const WAVELENGTH = 0.658;

    /**
     * Coefficient of refraction over the ground by day: how much less than the earth a sight is curved. Common practice; over hot
     * ground it may be negative, over cold water above 1.
     */
    public const REFRACTION = 0.14;

    /** @param  float  $refraction  its coefficient k */
    public function __construct(
        public float $pressureHpa = 1013.25,
        public float $temperatureCelsius = 12.0,
        public float $relativeHumidity = 0.6,
        public float $refraction = self::REFRACTION,
        private ?float $given = null,
    ) {
        if (! Bounds::hold($pressureHpa, 500, 1100)) {
            throw ImplausibleEntry::pressure($pressureHpa);
        }
        if (! Bounds::hold($temperatureCelsius, -40, 60)) {
            throw ImplausibleEntry::temperature($temperatureCelsius);
        }
        if (! Bounds::hold($relativeHumidity, 0, 1)) {
            throw ImplausibleEntry::humidity($relativeHumidity);
        }
        if (! Bounds::hold($refraction, -4, 4)) {
            throw ImplausibleEntry::refraction($refraction);
        }
    }

    /** A correction that was worked out elsewhere; parts per million. */
    public function given(float $ppm): self
    {
        if (! Bounds::hold($ppm, -1000, 1000)) {
            throw ImplausibleEntry::ppm($ppm);
        }

        return new self($this->pressureHpa, $this->temperatureCelsius, $this->relativeHumidity, $this->refraction, $ppm);
    }

    /** The air for which the instrument's distances need no correction. */
    public static function reference(): self
    {
        return new self;
    }

    /** Group refractivity, parts per million above 1. */
    public function refractivity(float $wavelength = self::WAVELENGTH): float
    {
        $group = 287.6155 + 4.88660 / $wavelength ** 2 + 0.06800 / $wavelength ** 4;
        $kelvin = $this->temperatureCelsius + 273.15;

        return 273.15 / 1013.25 * $group * $this->pressureHpa / $kelvin - 11.27 * $this->vapourPressure() / $kelvin;
    }

    /**
     * Correction of a distance measured as if in the reference air, parts per million.
     *
     * @param  self|null  $reference  air for which the instrument needs no correction
     * @param  float  $wavelength  of its carrier in vacuum, micrometres
     */
    public function ppm(?self $reference = null, float $wavelength = self::WAVELENGTH): float
    {
        return $this->given ?? ($reference ?? self::reference())->refractivity($wavelength) - $this->refractivity($wavelength);
    }

    /** Hectopascal. Magnus formula over water. */
    private function vapourPressure(): float
    {
        $t = $this->temperatureCelsius;

        return $this->relativeHumidity * 6.1078 * exp(17.27 * $t / ($t + 237.3));
    }
}
