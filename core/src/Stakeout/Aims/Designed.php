<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Geometry\Position;

/** What is designed where the pole stands. */
final readonly class Designed
{
    /**
     * @param  Position  $place  that the pole is to be brought to; without an elevation where none is designed
     * @param  OnLine|null  $on  where along a line that is, where a line is staked
     */
    public function __construct(
        public Position $place,
        public ?OnLine $on = null,
    ) {}
}
