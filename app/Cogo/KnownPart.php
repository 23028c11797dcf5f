<?php

declare(strict_types=1);

namespace App\Cogo;

/** A side in metres, or an angle in radians. */
final readonly class KnownPart
{
    public function __construct(
        public TrianglePart $part,
        public float $value,
    ) {}
}
