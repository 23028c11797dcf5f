<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** A figure typed for the instrument that no site has; most often a wrong unit. */
final class ImplausibleEntry extends \DomainException
{
    public static function pressure(float $hpa): self
    {
        return new self(sprintf('Air pressure %s hPa is not between 500 and 1100. Give it in hectopascal as read at the instrument, not reduced to sea level.', $hpa));
    }

    public static function temperature(float $celsius): self
    {
        return new self(sprintf('Temperature %s °C is not between -40 and 60.', $celsius));
    }

    public static function height(string $what, float $metres): self
    {
        return new self(sprintf('%s of %s m is not between 0 and 6 m. Check the unit it was typed in.', $what, round($metres, 3)));
    }

    public static function prismConstant(float $metres): self
    {
        return new self(sprintf('A prism constant of %s mm is beyond 100 mm either way. It is a figure in millimetres, such as -34.4 or 0.', round($metres * 1000, 2)));
    }
}
