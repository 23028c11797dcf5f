<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

final readonly class Quantity
{
    /** @param  float  $value  metres, radians, square metres or a ratio, as the kind says; INF where it is without bound */
    public function __construct(
        public string $word,
        public QuantityKind $kind,
        public float $value,
    ) {}

    /** @param  float  $metres  any length */
    public static function length(string $word, float $metres): self
    {
        return new self($word, QuantityKind::Length, $metres);
    }

    /** @param  float  $metres  from where a line begins, negative behind it: told in words, never by a sign */
    public static function along(string $line, float $metres): self
    {
        return self::length($metres < -1e-6 ? "behind the beginning of $line" : "along $line", abs($metres));
    }

    /** @param  float  $metres  a small length, told in finer places */
    public static function deviation(string $word, float $metres): self
    {
        return new self($word, QuantityKind::Deviation, $metres);
    }

    /** @param  float  $azimuth  grid azimuth, radians */
    public static function direction(string $word, float $azimuth): self
    {
        return new self($word, QuantityKind::Direction, $azimuth);
    }

    /** @param  float  $radians  an angle between two directions */
    public static function angle(string $word, float $radians): self
    {
        return new self($word, QuantityKind::Angle, $radians);
    }
}
