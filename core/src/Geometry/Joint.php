<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

use Parlay\Core\Units\Angle;

/** Where two neighbouring pieces meet once both have been moved. */
final class Joint
{
    /** Where the prolonged pieces meet nearest to where they should join; null where they don't. */
    public static function of(Leg $a, Leg $b): ?Position
    {
        if ($a->to->distanceTo($b->from) < 1e-9) {
            return $a->to;
        }
        try {
            $found = match (true) {
                $a->isStraight() && $b->isStraight() => [Intersection::ofRays(self::ray($a), self::ray($b))],
                $a->isStraight() => Intersection::ofRayAndCircle(self::ray($a), self::circle($b)),
                $b->isStraight() => Intersection::ofRayAndCircle(self::ray($b), self::circle($a)),
                default => Intersection::ofCircles(self::circle($a), self::circle($b)),
            };
        } catch (NoConstruction) {
            return null;
        }
        usort($found, static fn (Position $p, Position $q) => $a->to->distanceTo($p) <=> $a->to->distanceTo($q));

        return $found[0];
    }

    /** The same line or circle from one of its places to another. */
    public static function between(Leg $leg, Position $from, Position $to): Leg
    {
        [$from, $to] = [$from->at($leg->from->elevation), $to->at($leg->to->elevation)];
        $centre = $leg->centre();
        if ($centre === null) {
            return new Leg($from, $to);
        }
        $sweep = $leg->sweep - Angle::signed($centre->azimuthTo($from) - $centre->azimuthTo($leg->from))
            + Angle::signed($centre->azimuthTo($to) - $centre->azimuthTo($leg->to));

        return new Leg($from, $to, $sweep);
    }

    private static function ray(Leg $leg): Line
    {
        return new Line($leg->from, $leg->azimuthAt(0.0));
    }

    private static function circle(Leg $leg): Circle
    {
        return new Circle($leg->centre() ?? $leg->from, $leg->radius());
    }
}
