<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/**
 * How to move the pole onto the design.
 *
 * Whoever holds the pole faces the instrument: toward is the way they look, right is their right hand.
 */
final readonly class Guidance
{
    /**
     * @param  float  $toward  metres to move toward the instrument; negative is away
     * @param  float  $right  metres to the holder's right, facing the instrument; negative is left
     * @param  float  $north  metres to move north; negative is south
     * @param  float|null  $raise  metres to raise; negative is lower; null where either elevation is missing
     * @param  float  $facing  grid azimuth the holder looks along, from pole to instrument
     * @param  bool  $planIn  within tolerance in plan, where that is judged; heightIn in height
     * @param  float|null  $ahead  metres to move along the line that moves are said by; negative is back along it; null where there is none
     * @param  float|null  $aside  metres to move to the right, looking along that line; negative is left
     */
    private function __construct(
        public float $toward,
        public float $right,
        public float $north,
        public float $east,
        public ?float $raise,
        public float $distance,
        public float $azimuth,
        public float $facing,
        public Verdict $verdict,
        public bool $planIn,
        public bool $heightIn,
        public ?float $ahead = null,
        public ?float $aside = null,
    ) {}

    /** @param  float|null  $by  azimuth of the line that moves are said along and across, radians */
    public static function from(
        Position $instrument,
        Position $pole,
        Position $design,
        Tolerance $tolerance,
        Judged $judged = Judged::PlanAndHeight,
        ?float $by = null,
    ): self {
        $facing = $pole->azimuthTo($instrument);
        $north = $design->northing - $pole->northing;
        $east = $design->easting - $pole->easting;
        $deviation = Deviation::between($design, $pole);

        return new self(
            toward: $north * cos($facing) + $east * sin($facing),
            right: $east * cos($facing) - $north * sin($facing),
            north: $north,
            east: $east,
            raise: $deviation->height === null ? null : -$deviation->height,
            distance: $deviation->plan,
            azimuth: $pole->azimuthTo($design),
            facing: Angle::wrap($facing),
            verdict: $deviation->verdict($tolerance, $judged),
            planIn: $judged->countsPlan() && ! Deviation::isBeyond($deviation->plan, $tolerance->plan),
            heightIn: $judged->countsHeight() && $deviation->height !== null && ! Deviation::isBeyond($deviation->height, $tolerance->allowed($deviation->height)),
            ahead: $by === null ? null : $north * cos($by) + $east * sin($by),
            aside: $by === null ? null : $east * cos($by) - $north * sin($by),
        );
    }
}
