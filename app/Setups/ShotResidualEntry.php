<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Setups\ShotResidual;

/** How a shot along a line agrees with a place: metres to the right of its line, and what the others say of it; null where it is not in use. */
final readonly class ShotResidualEntry
{
    public function __construct(
        public string $line,
        public float $offset,
        public ?float $redundancy,
        public ?float $normalised,
        public ?float $detectable,
        public ?float $moves,
    ) {}

    public static function of(ShotResidual $r): self
    {
        return new self($r->line, $r->offset, $r->reliability?->redundancy, $r->reliability?->normalised, $r->reliability?->detectable, $r->moves);
    }
}
