<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Circle;
use Parlay\Core\Geometry\Intersection;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/** Places found by directions and distances from places that are known. */
final class PlacesFound
{
    /** Beginnings nearer than this count as so far apart, metres. */
    private const NEAR = 10.0;

    /** A place so many times as far away as the beginnings are apart is none that was meant. */
    private const FAR_TIMES = 100.0;

    /** @param  float  $distance  horizontal distance, metres; negative goes the other way */
    public static function byDirectionAndDistance(Position $from, float $azimuth, float $distance, float $right = 0.0): Made
    {
        $to = (new Line($from, $azimuth))->offset($right)->at($distance);

        return Made::one([new MadePlace($to)], self::measured($from, $to), [new Leg($from, $to)]);
    }

    /** @param  float  $angle  clockwise from the backsight, radians */
    public static function byTurnedAngle(Position $station, Position $backsight, float $angle, float $distance): Made
    {
        $azimuth = Line::through($station, $backsight)->azimuth + $angle;
        $to = $station->along($azimuth, $distance);

        return Made::one([new MadePlace($to)], self::measured($station, $to), [new Leg($station, $backsight), new Leg($station, $to)]);
    }

    /** @throws NoConstruction */
    public static function byTwoLines(Line $a, Line $b): Made
    {
        $at = Intersection::ofRays($a, $b);

        return Made::one([new MadePlace($at, self::doubt($a, $b, $at))], [
            Quantity::along('the first', $a->along($at)),
            Quantity::along('the second', $b->along($at)),
            Quantity::angle('angle between', min($off = Angle::wrap($b->azimuth - $a->azimuth), 2 * M_PI - $off)),
        ], [new Leg($a->from, $at), new Leg($b->from, $at)]);
    }

    /** Lines have no ends, directions have a beginning; and two that hardly differ meet where nobody works. */
    private static function doubt(Line $a, Line $b, Position $at): string
    {
        $behind = array_keys(
            array_filter(['the first' => $a->along($at), 'the second' => $b->along($at)], static fn (float $along) => $along < -1e-6),
        );
        $apart = max($a->from->distanceTo($b->from), self::NEAR);
        $far = min($a->from->distanceTo($at), $b->from->distanceTo($at)) > self::FAR_TIMES * $apart;

        return implode('; ', [
            ...($behind === [] ? [] : ['behind the beginning of '.implode(' and of ', $behind).' direction']),
            ...($far ? ['far outside the work: the directions hardly differ'] : []),
        ]);
    }

    /** @throws NoConstruction */
    public static function byLineAndDistance(Line $line, Position $centre, float $distance): Made
    {
        return Made::either(
            Intersection::ofRayAndCircle($line, new Circle($centre, $distance)),
            ['nearer along the line', 'farther along the line'],
            static fn (Position $p) => [
                Quantity::along('the line', $line->along($p)),
                Quantity::direction('direction from the second place', $centre->azimuthTo($p)),
            ],
            static fn (Position $p) => [new Leg($line->from, $p), new Leg($centre, $p)],
        );
    }

    /** @throws NoConstruction */
    public static function byTwoDistances(Position $a, float $toA, Position $b, float $toB): Made
    {
        return Made::either(
            Intersection::ofCircles(new Circle($a, $toA), new Circle($b, $toB)),
            ['to the left, from the first place to the second', 'to the right, from the first place to the second'],
            static fn (Position $p) => [
                Quantity::direction('direction from the first', $a->azimuthTo($p)),
                Quantity::direction('direction from the second', $b->azimuthTo($p)),
                Quantity::angle('angle between', abs(Angle::signed($p->azimuthTo($b) - $p->azimuthTo($a)))),
            ],
            static fn (Position $p) => [new Leg($a, $p), new Leg($b, $p)],
        );
    }

    /** @return list<Quantity> */
    private static function measured(Position $from, Position $to): array
    {
        return [Quantity::direction('direction', $from->azimuthTo($to)), Quantity::length('distance', $from->distanceTo($to))];
    }
}
