<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Setups\ControlSight;

/** One error that is in every reading. */
final readonly class Systematic
{
    /**
     * @param  float  $constant  metres that every slope distance is too long
     * @param  float  $scale  part of its length that it is too long
     * @param  float  $collimation  that directions in one face are too large by, level; radians
     * @param  float  $index  that zenith angles in one face are too large by
     */
    public function __construct(
        public float $constant = 0.0,
        public float $scale = 0.0,
        public float $collimation = 0.0,
        public float $index = 0.0,
    ) {}

    /** The sight without the error; steep directions show more of a collimation. */
    public function mended(ControlSight $s): ControlSight
    {
        $sight = $s->sight->longer(-$this->constant - $this->scale * $s->sight->slope);

        return $s->with(
            sight: ! $s->oneFace ? $sight : $sight->turned(-self::ofLevel($sight->zenith) * $this->collimation)->lowered(-$this->index),
        );
    }

    /** How much more a direction turns than a level one by the same collimation. */
    public static function ofLevel(float $zenith): float
    {
        return 1 / max(sin($zenith), 1e-3);
    }
}
