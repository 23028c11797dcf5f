<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

final readonly class Figure
{
    public function __construct(
        public string $word,
        public FigureKind $kind,
        public float $value,
    ) {}

    public static function length(string $word, float $metres): self
    {
        return new self($word, FigureKind::Length, $metres);
    }

    public static function deviation(string $word, float $metres): self
    {
        return new self($word, FigureKind::Deviation, $metres);
    }

    public static function direction(string $word, float $azimuth): self
    {
        return new self($word, FigureKind::Direction, $azimuth);
    }

    public static function angle(string $word, float $radians): self
    {
        return new self($word, FigureKind::Angle, $radians);
    }
}
