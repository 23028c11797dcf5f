<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use Parlay\Core\Setup\ShotResidual;

/** How a shot along a line agrees with a place: metres to the right of its line, and what the others say of it; null where it is not in use. */
#[OA\Schema]
final readonly class ShotResidualResource
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
