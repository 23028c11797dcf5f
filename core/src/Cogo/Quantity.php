<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

final readonly class Quantity
{
    public function __construct(
        public string $word,
        public QuantityKind $kind,
        public float $value,
    ) {}

    public static function length(string $word, float $metres): self
    {
        return new self($word, QuantityKind::Length, $metres);
    }

    public static function deviation(string $word, float $metres): self
    {
        return new self($word, QuantityKind::Deviation, $metres);
    }

    public static function direction(string $word, float $azimuth): self
    {
        return new self($word, QuantityKind::Direction, $azimuth);
    }

    public static function angle(string $word, float $radians): self
    {
        return new self($word, QuantityKind::Angle, $radians);
    }
}
