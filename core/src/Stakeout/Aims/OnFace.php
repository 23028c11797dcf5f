<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

/** Where the pole stands before a face of a thing, or beside its axis. */
final readonly class OnFace
{
    /**
     * @param  float  $before  metres in front of the face, square to it; below 0 behind it. Of an axis: how far from it
     * @param  bool  $within  square to the face one meets it between its edges; of an axis, between its ends
     */
    public function __construct(
        public float $before,
        public bool $within,
    ) {}
}
