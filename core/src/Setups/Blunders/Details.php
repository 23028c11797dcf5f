<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

/** By how much and whereto, for the causes that have it; null for the others. */
final readonly class Details
{
    /**
     * @param  float|null  $by  metres that something is too long or too high, short or low where negative; for a shift how far
     * @param  float|null  $up  metres that it is too high besides
     * @param  float|null  $toward  grid azimuth, radians
     * @param  float|null  $angle  radians that a direction is too large, or the instrument's own error
     * @param  bool  $halfTurn  whether that is half a turn, so that the face may be wrong
     * @param  float|null  $part  that distances are too long, part of their length
     * @param  float|null  $pole  height of a pole whose leaning would do it, metres
     * @param  float|null  $instrumentHeight  as it was entered, metres
     * @param  float|null  $otherwise  as it would be, the tape read the other way; metres
     * @param  bool  $wasSlanted  whether it was entered as slanted
     * @param  string|null  $station  the mark under the tripod, where it is about that
     * @param  string|null  $alone  the one sight there is
     * @param  list<Explanation>  $each  of two sights
     */
    public function __construct(
        public ?float $by = null,
        public ?float $up = null,
        public ?float $toward = null,
        public ?float $angle = null,
        public bool $halfTurn = false,
        public ?float $part = null,
        public ?float $pole = null,
        public ?float $instrumentHeight = null,
        public ?float $otherwise = null,
        public bool $wasSlanted = false,
        public ?Slip $slip = null,
        public ?string $station = null,
        public ?string $alone = null,
        public array $each = [],
    ) {}
}
