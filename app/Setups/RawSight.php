<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Instrument\Rounds;

/** All readings of one point made into one. */
final readonly class RawSight
{
    public function __construct(
        public string $name,
        public ?int $controlId,
        public ?float $targetHeight,
        public Rounds $rounds,
    ) {}
}
