<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

/** Where the pole stands beside a line. */
final readonly class OnLine
{
    /**
     * @param  float  $along  metres from the start; negative before it
     * @param  float  $toEnd  metres to the end; negative beyond it
     * @param  float  $offset  metres right of the line, looking along; negative left
     * @param  int  $piece  which straight piece or arc, from 1
     * @param  float  $azimuth  in which the line runs there, radians
     * @param  float|null  $radius  metres, where the piece is an arc
     */
    public function __construct(
        public float $along,
        public float $toEnd,
        public float $offset,
        public int $piece,
        public int $pieces,
        public float $azimuth,
        public ?float $radius,
        public Reach $reach,
    ) {}
}
