<?php

declare(strict_types=1);

namespace App\Mending;

final readonly class MatchCandidate
{
    /** distance: of the shot from the point, metres. built: it was measured as built before, and this shot would count in its place. */
    public function __construct(public int $pointId, public string $name, public string $code, public float $distance, public bool $built) {}
}
