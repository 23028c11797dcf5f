<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Geometry\Position;

/** A mark that a setup was turned by, and that is no control yet: where it is, and how far that is to be trusted. */
final readonly class SightedMark
{
    /**
     * Metres.
     *
     * @param  string|null  $keptAs  the control point it was kept as
     */
    public function __construct(
        public int $observationId,
        public Position $place,
        public ?float $planDeviation,
        public ?float $heightDeviation,
        public ?string $keptAs,
    ) {}
}
