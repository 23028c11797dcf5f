<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;

/**
 * Brings the red dot onto a design on a surface of which nobody knows exactly where it is: aims at the design, sees what the dot hits, and
 * aims again at the design moved to where the surface was found, until the hit is within tolerance.
 *
 * On a slab the next aim follows the slope from the last hit to the one before it, so that a ramp steeper than the beam is met as well; a wall of which nobody said
 * how it runs is hit twice beside each other first (see docs/staking.md).
 */
final readonly class DotSearch
{
    /** After so many tries a dot that comes no nearer is stopped by something. */
    private const TELLS_BLOCKED = 3;

    /** metres */
    private const FAR = 0.3;

    /** Where nothing comes back, it is tried nearer to the instrument and farther from it, metres: what is beside may send it back. */
    private const BESIDE = [-0.2, 0.2];

    /** Where nothing ever came back the floor may fall away: then lower, for each metre of distance. */
    private const LOWER = [0.06, 0.12];

    /** A try that leaves more of the miss than this has not come nearer. */
    private const NEARER = 0.8;

    /** The second hit on a wall of which nobody said how it runs is aimed so far beside the first, metres. */
    private const TO_LEARN = 0.6;

    /** Two hits farther apart than that lie on two walls, nearer they tell no direction; metres. */
    private const ONE_WALL = [0.1, 3.0];

    /** Hits nearer to each other along the ray tell no slope, metres. */
    private const TELLS_SLOPE = 0.02;

    /** No floor that one walks on is steeper. */
    private const STEEPEST = 0.5;

    /** A floor is expected within this of a height that is known of it, and this more for each metre from there: a ramp has 12 to 15 in 100. Common practice, no source. */
    private const EXPECTED = 0.3;

    private const RISES = 0.15;

    /** Within so much of the design's height, where no height of the floor is known, metres. */
    private const NEAR_DESIGN = 1.0;

    /** About so high the axis stands over the floor, metres. */
    private const AXIS = 1.5;

    /** A leap in height is doubted; after so many of them it is given up. */
    private const MOST_LEAPS = 2;

    private function __construct(
        private Position $design,
        private MarkedOn $on,
        private ?float $wall,
        private ?float $through,
        private Position $from,
        private Tolerance $tolerance,
        private int $mostTries,
        private ?Position $known,
        private Position $aimed,
        public ?Position $hit = null,
        private ?Position $earlier = null,
        public int $tries = 0,
        private float $before = INF,
        private int $noReturns = 0,
        private int $leaps = 0,
        public float $leap = 0.0,
    ) {}

    /**
     * @param  Position  $design  with an elevation, or on a slab without one
     * @param  Position  $instrument  the trunnion axis
     * @param  float|null  $wall  azimuth in which the wall runs, radians; null where it is to be found
     * @param  float|null  $surface  elevation of the slab as far as it is known: a ceiling's design is no height to look for a floor at
     * @param  float|null  $through  azimuth of the line whose end the design is: it is marked where the wall cuts that
     * @param  Position|null  $hitBefore  where the slab was hit last, in the same run
     *
     * @throws \DomainException where a wall's mark has no height
     */
    public static function begin(
        Position $design,
        MarkedOn $on,
        Position $instrument,
        Tolerance $tolerance,
        int $tries = 10,
        ?float $wall = null,
        ?float $surface = null,
        ?float $through = null,
        ?Position $hitBefore = null,
    ): self {
        if ($on !== MarkedOn::Slab && $design->elevation === null) {
            throw new \DomainException('A mark on a wall needs a height: the design has none. Type the height at which all are made.');
        }
        $floor = $hitBefore->elevation ?? $surface ?? $design->elevation ?? ($instrument->elevation ?? 0.0) - self::AXIS;

        return new self(
            design: $design,
            on: $on,
            wall: $wall,
            through: $through,
            from: $instrument,
            tolerance: $tolerance,
            mostTries: max(1, $tries),
            known: $hitBefore ?? ($surface === null ? null : $design->at($surface)),
            aimed: $on === MarkedOn::Slab ? $design->at($floor) : $design,
        );
    }

    /** Where to point the dot next. */
    public function aim(): Position
    {
        return $this->aimed;
    }

    /** What the dot hit there. A hit far above or below where the floor can be is none: a mirroring floor, or a hole. */
    public function hits(Position $hit): self
    {
        $leap = $this->leapOf($hit);
        if ($leap !== 0.0) {
            $by = self::BESIDE[$this->leaps % 2];

            return new self(...[
                'aimed' => $this->aimed->along($this->from->azimuthTo($this->aimed), $by, $this->aimed->elevation),
                'tries' => $this->tries + 1, 'leaps' => $this->leaps + 1, 'leap' => $leap,
            ] + get_object_vars($this));
        }
        $now = new self(...[
            'hit' => $hit, 'earlier' => $this->hit ?? $this->earlier, 'tries' => $this->tries + 1, 'before' => $this->off(),
            // What was looked for before the surface was met at all says nothing of how dull it is.
            'noReturns' => $this->hit === null ? 0 : $this->noReturns,
        ] + get_object_vars($this));
        $now = $this->on === MarkedOn::Wall && $this->wall === null ? $now->learning() : $now;

        return new self(...['aimed' => $now->onto($hit)] + get_object_vars($now));
    }

    /** Metres above or below what the floor can be there; 0 where it may be. */
    private function leapOf(Position $hit): float
    {
        if ($this->on !== MarkedOn::Slab || $hit->elevation === null) {
            return 0.0;
        }
        $allowed = $this->known === null ? $this->guessed($hit)
            : [[(float) $this->known->elevation, self::EXPECTED + self::RISES * min($hit->distanceTo($this->known), $hit->distanceTo($this->from))]];
        $least = INF;
        foreach ($allowed as [$height, $slack]) {
            $off = $hit->elevation - $height;
            $beyond = abs($off) <= $slack ? 0.0 : $off;
            $least = abs($beyond) < abs($least) ? $beyond : $least;
        }

        return is_infinite($least) ? 0.0 : $least;
    }

    /**
     * Where no height of the floor is known yet it is near the design's, or under the instrument.
     *
     * @return list<array{float, float}> heights, and how far off each it may be
     */
    private function guessed(Position $hit): array
    {
        $under = $this->from->elevation === null ? [] : [[
            $this->from->elevation - self::AXIS,
            $this->design->elevation === null ? self::NEAR_DESIGN + self::RISES * $hit->distanceTo($this->from) : self::NEAR_DESIGN,
        ]];

        return $this->design->elevation === null ? $under : [[$this->design->elevation, self::NEAR_DESIGN], ...$under];
    }

    /** Whether all that comes back lies where the floor can't be. */
    public function isDoubted(): bool
    {
        return $this->leaps > self::MOST_LEAPS;
    }

    /** Two hits beside each other tell how the wall runs. */
    private function learning(): self
    {
        if ($this->hit === null || $this->earlier === null) {
            return $this;
        }
        $apart = $this->earlier->distanceTo($this->hit);

        return $apart < self::ONE_WALL[0] || $apart > self::ONE_WALL[1] ? $this
            : new self(...['wall' => $this->earlier->azimuthTo($this->hit)] + get_object_vars($this));
    }

    /** Nothing came back from there: the next is aimed beside it, to learn where the surface is. */
    public function noReturn(): self
    {
        $straight = $this->hit === null ? $this->aimed : $this->onto($this->hit);
        $by = self::BESIDE[$this->noReturns] ?? 0.0;
        $lower = $this->isBottomless() ? self::LOWER[$this->noReturns - count(self::BESIDE)] ?? 0.0 : 0.0;
        $down = $lower * $this->from->distanceTo($straight);

        return new self(...[
            'aimed' => $straight->along($this->from->azimuthTo($straight), $by, $straight->elevation === null ? null : $straight->elevation - $down), 'tries' => $this->tries + 1,
            'noReturns' => $this->noReturns + 1,
        ] + get_object_vars($this));
    }

    /** Whether the surface gives no return there, wherever one looks. */
    public function isDull(): bool
    {
        return $this->noReturns > count(self::BESIDE) + ($this->isBottomless() ? count(self::LOWER) : 0);
    }

    private function isBottomless(): bool
    {
        return $this->on === MarkedOn::Slab && $this->hit === null;
    }

    /** The design moved to where the surface was found. */
    private function onto(Position $hit): Position
    {
        return match ($this->on) {
            MarkedOn::Ray => $this->design,
            MarkedOn::Slab => $this->design->at($hit->elevation === null ? null : $hit->elevation + $this->slope() * ($this->reach($this->design) - $this->reach($hit))),
            MarkedOn::Wall => $this->wall === null
                // To the other side after a hit that told nothing.
                ? $hit->along($this->from->azimuthTo($hit) + M_PI_2, $this->tries % 2 === 1 ? self::TO_LEARN : -self::TO_LEARN, $hit->elevation)
                : (new OnWall($this->wall, $this->through))->moved($this->design, $hit),
        };
    }

    /** Rise of the slab for each metre from the instrument, as the last two hits tell it; level where they don't. */
    private function slope(): float
    {
        if ($this->hit?->elevation === null || $this->earlier?->elevation === null) {
            return 0.0;
        }
        $way = $this->reach($this->hit) - $this->reach($this->earlier);

        return abs($way) < self::TELLS_SLOPE ? 0.0
            : max(-self::STEEPEST, min(self::STEEPEST, ($this->hit->elevation - $this->earlier->elevation) / $way));
    }

    private function reach(Position $p): float
    {
        return $this->from->distanceTo($p);
    }

    /** How the wall runs and the design is brought onto it; null where that is not known, or no wall. */
    public function onWall(): ?OnWall
    {
        return $this->on === MarkedOn::Wall && $this->wall !== null ? new OnWall($this->wall, $this->through) : null;
    }

    public function miss(): ?DotMiss
    {
        if ($this->hit === null) {
            return null;
        }
        $beyond = $this->from->distanceTo($this->hit) - $this->from->distanceTo($this->design);
        if ($this->on === MarkedOn::Slab) {
            return new DotMiss(
                $this->hit->northing - $this->design->northing, $this->hit->easting - $this->design->easting, null, $beyond,
            );
        }
        if ($this->on === MarkedOn::Ray) {
            return $this->besideRay($this->hit, $beyond);
        }
        $wall = $this->onWall();
        if ($wall === null) {
            return null;
        }
        $moved = $wall->moved($this->design, $this->hit);
        $along = $wall->along($moved, $this->hit);

        return new DotMiss(
            $along * cos($wall->azimuth), $along * sin($wall->azimuth), ($this->hit->elevation ?? 0.0) - ($this->design->elevation ?? 0.0), $beyond,
            $this->design->distanceTo($moved), $wall->azimuth, $wall->through,
        );
    }

    /** Across the ray, and above the ray where it passes there. */
    private function besideRay(Position $hit, float $beyond): DotMiss
    {
        $ray = $this->from->azimuthTo($this->design);
        $across = ($hit->easting - $this->from->easting) * cos($ray) - ($hit->northing - $this->from->northing) * sin($ray);
        $reach = max($this->from->distanceTo($this->design), 1e-6);
        $rise = (($this->design->elevation ?? 0.0) - ($this->from->elevation ?? 0.0)) / $reach;
        $there = ($this->from->elevation ?? 0.0) + $rise * $this->from->distanceTo($hit);

        return new DotMiss(-$across * sin($ray), $across * cos($ray), ($hit->elevation ?? 0.0) - $there, $beyond);
    }

    /** Whether the dot marks the design: a figure equal to the tolerance does. */
    public function isThere(): bool
    {
        $miss = $this->miss();

        return $miss !== null && ! Deviation::isBeyond($miss->plan, $this->tolerance->plan)
            && ($miss->height === null || ! Deviation::isBeyond($miss->height, $this->tolerance->height));
    }

    /** Whether something stands before the surface: the dot stays far from where it belongs, and comes no nearer. */
    public function isBlocked(): bool
    {
        $off = $this->off();

        return $this->tries >= self::TELLS_BLOCKED && $off > self::FAR && $off > self::NEARER * $this->before;
    }

    private function off(): float
    {
        $miss = $this->miss();

        return $miss === null ? INF : hypot($miss->plan, $miss->height ?? 0.0);
    }

    public function isUsedUp(): bool
    {
        return $this->tries >= $this->mostTries;
    }
}
