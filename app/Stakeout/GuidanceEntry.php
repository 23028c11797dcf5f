<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Stakeout\Guidance;

final readonly class GuidanceEntry
{
    public function __construct(
        public int $target,
        public float $toward,
        public float $right,
        public float $north,
        public float $east,
        public ?float $raise,
        public float $distance,
        public float $azimuth,
        public float $facing,
        public string $verdict,
    ) {}

    public static function of(int $target, Guidance $g): self
    {
        return new self($target, $g->toward, $g->right, $g->north, $g->east, $g->raise, $g->distance, $g->azimuth, $g->facing, $g->verdict->value);
    }
}
