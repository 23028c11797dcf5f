<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

use Parlay\Core\Units\Angle;

final readonly class Circle
{
    /** @throws NoConstruction where the radius is not more than 0 */
    public function __construct(
        public Position $centre,
        public float $radius,
    ) {
        if ($radius <= 0.0) {
            throw NoConstruction::notPositive('The radius of a circle');
        }
    }

    /**
     * The circle through three places: the centre is where the perpendicular bisectors meet.
     *
     * @throws NoConstruction where they lie on one line, or two of them are one
     */
    public static function through(Position $a, Position $b, Position $c): self
    {
        [$bx, $by] = [$b->easting - $a->easting, $b->northing - $a->northing];
        [$cx, $cy] = [$c->easting - $a->easting, $c->northing - $a->northing];
        $twice = 2 * ($bx * $cy - $by * $cx);
        // Seen as a triangle: higher than a ten-millionth of its longest side, or it is a line for all who stake it.
        if (abs($twice) <= 2e-7 * max($bx ** 2 + $by ** 2, $cx ** 2 + $cy ** 2, ($cx - $bx) ** 2 + ($cy - $by) ** 2)) {
            throw NoConstruction::collinear();
        }
        $x = ($cy * ($bx ** 2 + $by ** 2) - $by * ($cx ** 2 + $cy ** 2)) / $twice;
        $y = ($bx * ($cx ** 2 + $cy ** 2) - $cx * ($bx ** 2 + $by ** 2)) / $twice;

        return new self(new Position($a->northing + $y, $a->easting + $x), hypot($x, $y));
    }

    /** The arc over three places of the circle, in their order. */
    public function arc(Position $from, Position $over, Position $to): Leg
    {
        $at = fn (Position $p): float => $this->centre->azimuthTo($p);
        $whole = Angle::wrap($at($to) - $at($from));
        $sweep = Angle::wrap($at($over) - $at($from)) <= $whole ? $whole : $whole - 2 * M_PI;

        return new Leg($from, $to, $sweep);
    }
}
