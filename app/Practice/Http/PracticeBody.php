<?php

declare(strict_types=1);

namespace App\Practice\Http;

final readonly class PracticeBody
{
    /** do: look, walk, nudge, pole, block, knock, level, tripod, battery, air, haste, cut, dull, dry; the rest as docs/instrument-protocol.md says. */
    public function __construct(
        public string $do,
        public ?string $mark = null,
        public ?string $with = null,
        public ?float $northing = null,
        public ?float $easting = null,
        public ?float $elevation = null,
        public ?float $north = null,
        public ?float $east = null,
        public ?float $up = null,
        public ?float $speed = null,
        public ?bool $atOnce = null,
        public ?bool $on = null,
        public ?bool $hard = null,
        public ?float $height = null,
        public ?float $prismConstant = null,
        public ?float $unsteady = null,
        public ?float $tilt = null,
        public ?float $tiltAzimuth = null,
        public ?float $left = null,
        public ?float $pressure = null,
        public ?float $temperature = null,
        public ?float $factor = null,
        public ?float $seconds = null,
    ) {}
}
