<?php

declare(strict_types=1);

namespace App\Examples;

/** A thing that an example does not fit, and why. */
final readonly class NotFitting
{
    public function __construct(
        public int $number,
        public string $name,
        public string $why,
    ) {}
}
