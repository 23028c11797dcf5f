<?php

declare(strict_types=1);

namespace App\Cogo;

/** A horizontal distance in metres, typed or between two places, and a length added to it. */
final readonly class GivenDistance
{
    public function __construct(
        public ?float $metres = null,
        public ?GivenPlace $from = null,
        public ?GivenPlace $to = null,
        public float $plus = 0.0,
    ) {}
}
