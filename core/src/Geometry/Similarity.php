<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

use Parlay\Core\Units\Angle;

/** A plane similarity (four parameters): x' = a x - b y + dx, y' = b x + a y + dy, with x easting and y northing. */
final readonly class Similarity
{
    /** E' = a E - b N + dx, N' = b E + a N + dy; shifts in metres. */
    public function __construct(
        public float $a = 1.0,
        public float $b = 0.0,
        public float $dx = 0.0,
        public float $dy = 0.0,
    ) {}

    /** @param  float  $clockwise  radians, as directions are counted */
    public static function turnAndShift(float $clockwise, float $scale, float $dEasting, float $dNorthing): self
    {
        return new self($scale * cos($clockwise), -$scale * sin($clockwise), $dEasting, $dNorthing);
    }

    /**
     * Puts one place exactly where it should be, and takes from a second nothing but the direction to it: what both are apart too much or
     * too little is left at the second.
     *
     * @param  array{Position, Position}  $held  from and to
     * @param  array{Position, Position}  $toward
     * @return self|null null where there is no direction between them
     */
    public static function holding(array $held, array $toward): ?self
    {
        if ($held[0]->distanceTo($toward[0]) === 0.0 || $held[1]->distanceTo($toward[1]) === 0.0) {
            return null;
        }
        $turn = self::turnAndShift($held[1]->azimuthTo($toward[1]) - $held[0]->azimuthTo($toward[0]), 1.0, 0.0, 0.0);
        $turned = $turn->apply($held[0]);

        return new self($turn->a, $turn->b, $held[1]->easting - $turned->easting, $held[1]->northing - $turned->northing);
    }

    /**
     * The one that takes the first places nearest to the second (least squares; closed form about the centres of gravity, as in
     * Ghilani & Wolf, Adjustment Computations, two-dimensional conformal coordinate transformation; recalled).
     *
     * @param  non-empty-list<array{Position, Position}>  $pairs  from and to
     * @param  bool  $withScale  without it the scale is 1: shift and rotation only
     * @return self|null null where all first places are one
     */
    public static function of(array $pairs, bool $withScale): ?self
    {
        $n = count($pairs);
        $mean = static fn (int $side, string $c): float => array_sum(array_map(static fn (array $p) => $p[$side]->{$c}, $pairs)) / $n;
        [$fx, $fy, $tx, $ty] = [$mean(0, 'easting'), $mean(0, 'northing'), $mean(1, 'easting'), $mean(1, 'northing')];
        $dot = $cross = $square = 0.0;
        foreach ($pairs as [$from, $to]) {
            [$x, $y, $u, $v] = [$from->easting - $fx, $from->northing - $fy, $to->easting - $tx, $to->northing - $ty];
            $dot += $x * $u + $y * $v;
            $cross += $x * $v - $y * $u;
            $square += $x ** 2 + $y ** 2;
        }
        $length = $withScale ? $square : hypot($dot, $cross);
        if ($n < 2 || $square === 0.0 || $length === 0.0) {
            return null;
        }
        [$a, $b] = [$dot / $length, $cross / $length];

        return new self($a, $b, $tx - $a * $fx + $b * $fy, $ty - $b * $fx - $a * $fy);
    }

    /** The place moved; its elevation stays. */
    public function apply(Position $p): Position
    {
        return new Position(
            $this->b * $p->easting + $this->a * $p->northing + $this->dy, $this->a * $p->easting - $this->b * $p->northing + $this->dx,
            $p->elevation,
        );
    }

    /** Length that a length of 1 becomes. */
    public function scale(): float
    {
        return hypot($this->a, $this->b);
    }

    /** Clockwise, [0, 2π). */
    public function rotation(): float
    {
        return Angle::wrap(atan2(-$this->b, $this->a));
    }

    /** Whether it moves nothing. */
    public function isIdentity(): bool
    {
        return $this->a === 1.0 && $this->b === 0.0 && $this->dx === 0.0 && $this->dy === 0.0;
    }
}
