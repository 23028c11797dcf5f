<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** What the heights of a drawing mean: used, dropped, or one fixed elevation for all. */
final readonly class Heights
{
    private function __construct(
        public bool $used,
        public ?float $fixed,
    ) {}

    /** Heights of the drawing are elevations. */
    public static function used(): self
    {
        return new self(true, null);
    }

    /** Heights of the drawing mean nothing. */
    public static function dropped(): self
    {
        return new self(false, null);
    }

    /** @param  float  $elevation metres */
    public static function fixed(float $elevation): self
    {
        return new self(false, $elevation);
    }
}
