<?php

declare(strict_types=1);

namespace App\Civil;

use App\Cogo\GivenPolyline;
use Parlay\Core\Formerly;

/** A volume: of one surface against another, against one height, or above the ground that its outline spans. */
final readonly class VolumeWanted
{
    /**
     * firstId: what is there; secondId: what it is held against, verticalOffset metres above it. elevation: one height instead. outline: only within it;
     * stockpile: against the ground that the outline spans. alignmentId, from, to, left, right: only between these places and offsets of an
     * alignment, and by end areas at each interval. All metres.
     */
    public function __construct(
        public int $firstId,
        public ?int $secondId = null,
        #[Formerly('raised')]
        public float $verticalOffset = 0.0,
        public ?float $elevation = null,
        public ?GivenPolyline $outline = null,
        public bool $stockpile = false,
        public ?int $alignmentId = null,
        public float $from = 0.0,
        public float $to = 0.0,
        public float $left = 0.0,
        public float $right = 0.0,
        public float $interval = 10.0,
    ) {}
}
