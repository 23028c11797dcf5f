<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;

/**
 * Brings the red dot onto a design on a surface of which nobody knows exactly where it is: aims at the design, sees what the dot hits, and
 * aims again at the design moved to where the surface was found, until the hit is within tolerance.
 *
 * A step divides the miss by about the slope of the beam over the slope of the surface; on a plane that the beam does not graze it
 * converges (see docs/staking.md).
 */
final readonly class DotSearch
{
    /** After so many tries a dot that comes no nearer is stopped by something. */
    private const TELLS_BLOCKED = 3;

    /** metres */
    private const FAR = 0.3;

    /** Where nothing comes back, it is tried nearer to the instrument and farther from it, metres: what is beside may send it back. */
    private const BESIDE = [-0.2, 0.2];

    /** A try that leaves more of the miss than this has not come nearer. */
    private const NEARER = 0.8;

    private function __construct(
        private Position $design,
        private MarkedOn $on,
        private float $wall,
        private Position $from,
        private Tolerance $tolerance,
        private int $mostTries,
        private Position $aimed,
        public ?Position $hit = null,
        public int $tries = 0,
        private float $before = INF,
        private int $noReturns = 0,
    ) {}

    /**
     * @param  Position  $design  with an elevation, or on a slab without one
     * @param  Position  $instrument  the trunnion axis
     * @param  float|null  $wall  azimuth in which the wall runs, radians; null where it is square to the beam
     * @param  float|null  $surface  elevation of the slab as far as it is known: a ceiling's design is no height to look for a floor at
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
    ): self {
        if ($on !== MarkedOn::Slab && $design->elevation === null) {
            throw new \DomainException('A mark on a wall needs a height: the design has none. Type the height at which all are made.');
        }
        $floor = $surface ?? $design->elevation ?? ($instrument->elevation ?? 0.0) - 1.5;

        return new self(
            $design, $on, $wall ?? $instrument->azimuthTo($design) + M_PI_2, $instrument, $tolerance, max(1, $tries),
            $on === MarkedOn::Slab ? $design->at($floor) : $design,
        );
    }

    /** Where to point the dot next. */
    public function aim(): Position
    {
        return $this->aimed;
    }

    /** What the dot hit there. */
    public function hits(Position $hit): self
    {
        return new self(...['aimed' => $this->onto($hit), 'hit' => $hit, 'tries' => $this->tries + 1, 'before' => $this->off()] + get_object_vars($this));
    }

    /** Nothing came back from there: the next is aimed beside it, to learn where the surface is. */
    public function noReturn(): self
    {
        $straight = $this->hit === null ? $this->aimed : $this->onto($this->hit);
        $by = self::BESIDE[$this->noReturns] ?? 0.0;

        return new self(...[
            'aimed' => $straight->along($this->from->azimuthTo($straight), $by, $straight->elevation), 'tries' => $this->tries + 1,
            'noReturns' => $this->noReturns + 1,
        ] + get_object_vars($this));
    }

    /** Whether the surface gives no return there, wherever one looks. */
    public function isDull(): bool
    {
        return $this->noReturns > count(self::BESIDE);
    }

    /** The design moved to where the surface was found. */
    private function onto(Position $hit): Position
    {
        if ($this->on === MarkedOn::Slab) {
            return $this->design->at($hit->elevation);
        }
        $off = $this->depthOf($hit);

        return $this->on === MarkedOn::Ray ? $this->design : new Position(
            $this->design->northing + $off * cos($this->wall - M_PI_2), $this->design->easting + $off * sin($this->wall - M_PI_2),
            $this->design->elevation,
        );
    }

    /** How far a place lies from the wall's design, to the left of the way the wall runs. */
    private function depthOf(Position $hit): float
    {
        return ($hit->northing - $this->design->northing) * cos($this->wall - M_PI_2)
            + ($hit->easting - $this->design->easting) * sin($this->wall - M_PI_2);
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
        $along = ($this->hit->northing - $this->design->northing) * cos($this->wall)
            + ($this->hit->easting - $this->design->easting) * sin($this->wall);

        return new DotMiss(
            $along * cos($this->wall), $along * sin($this->wall), ($this->hit->elevation ?? 0.0) - ($this->design->elevation ?? 0.0), $beyond,
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
