<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Civil\Surfaces\OnSurface;
use Parlay\Core\Geometry\Position;

/** What is designed where the pole stands. */
final readonly class Designed
{
    /**
     * @param  Position  $place  that the pole is to be brought to; without an elevation where none is designed
     * @param  OnLine|null  $on  where along a line that is, where a line is staked
     * @param  OnAlignment|null  $station  where along and beside an alignment the pole stands, where one is staked
     * @param  OnSurface|null  $ground  the design surface under the pole, where one is staked
     * @param  OnFace|null  $face  how far before a face or beside an axis the pole stands, where one is staked
     */
    public function __construct(
        public Position $place,
        public ?OnLine $on = null,
        public ?OnAlignment $station = null,
        public ?OnSurface $ground = null,
        public ?OnFace $face = null,
    ) {}
}
