<?php

declare(strict_types=1);

namespace App\Civil;

/** Slope stakes of a road: where its side slopes meet the ground. */
final readonly class SlopeStakes
{
    /** interval: metres between stations. profile, template: of the alignment, from 0. groundId: the ground they come out on. */
    public function __construct(
        public float $interval,
        public int $profile,
        public int $template,
        public int $groundId,
        public bool $left = true,
        public bool $right = true,
        public string $prefix = '',
        public string $code = '',
    ) {}
}
