<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

/**
 * Where straight lines and circles meet, both places where there are two. Reckoned from the first place given, so that coordinates in the
 * millions lose nothing. Sources: Ghilani & Wolf, Elementary Surveying, coordinate geometry (recalled): direction-direction,
 * direction-distance and distance-distance.
 */
final class Intersection
{
    /** Lines nearer to parallel than this angle have no place where they meet that could be staked, radians (0.2″). */
    private const PARALLEL = 1e-6;

    /** A line or circle that misses another by less touches it, metres. */
    private const TOUCHES = 1e-6;

    /** Two that cross by less, metres, touch: it is what coordinates in the millions are rounded by. */
    private const NOISE = 1e-8;

    /** @throws NoConstruction where they are parallel */
    public static function ofRays(Line $a, Line $b): Position
    {
        $sine = sin($b->azimuth - $a->azimuth);
        if (abs($sine) < self::PARALLEL) {
            throw NoConstruction::parallel();
        }

        return $a->at(-$b->right($a->from) / sin($a->azimuth - $b->azimuth));
    }

    /**
     * In the order met along the line.
     *
     * @return non-empty-list<Position> one where the line touches
     * @throws NoConstruction where it misses
     */
    public static function ofRayAndCircle(Line $ray, Circle $circle): array
    {
        $off = abs($ray->right($circle->centre));
        if ($off > $circle->radius + self::TOUCHES) {
            throw NoConstruction::lineMisses($off - $circle->radius);
        }
        $along = $ray->along($circle->centre);
        $half = sqrt(max(0.0, ($circle->radius - $off) * ($circle->radius + $off)));

        return $off > $circle->radius - self::NOISE ? [$ray->at($along)] : [$ray->at($along - $half), $ray->at($along + $half)];
    }

    /**
     * The one to the left of the way from the first centre to the second, then the one to its right.
     *
     * @return non-empty-list<Position> one where they touch
     * @throws NoConstruction where they miss
     */
    public static function ofCircles(Circle $a, Circle $b): array
    {
        $d = $a->centre->distanceTo($b->centre);
        if ($d === 0.0) {
            throw NoConstruction::sameCentre();
        }
        if ($d > $a->radius + $b->radius + self::TOUCHES) {
            throw NoConstruction::circlesApart($d - $a->radius - $b->radius);
        }
        if ($d < abs($a->radius - $b->radius) - self::TOUCHES) {
            throw NoConstruction::circleInside(abs($a->radius - $b->radius) - $d);
        }
        // As factors: the difference of squares would lose the flat triangles.
        $along = ($d + ($a->radius - $b->radius) * ($a->radius + $b->radius) / $d) / 2;
        $half = sqrt(max(0.0, ($a->radius - $along) * ($a->radius + $along)));
        $line = new Line($a->centre, $a->centre->azimuthTo($b->centre));
        $foot = $line->at($along);

        $touch = $half < self::TOUCHES || $d > $a->radius + $b->radius - self::NOISE || $d < abs($a->radius - $b->radius) + self::NOISE;

        return $touch ? [$foot] : [$foot->along($line->azimuth - M_PI_2, $half), $foot->along($line->azimuth + M_PI_2, $half)];
    }
}
