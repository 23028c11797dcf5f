<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/**
 * The elements of an alignment that is given by its points of intersection.
 *
 * The arc's centre lies R + p from each tangent, where p is by how much the spiral shifts it; along the tangent it stands k before the
 * spiral's own run. Unequal spirals put it out of the bisector. Source: Ghilani & Wolf, Elementary Surveying, spirals (recalled).
 */
final class CornersRounded
{
    private const SLACK = 1e-6;

    /**
     * @param  list<Corner>  $corners  both ends with them
     * @return list<Element>
     *
     * @throws NoAlignment where a curve has no room
     */
    public static function elements(array $corners): array
    {
        if (count($corners) < 2) {
            throw NoAlignment::noElements();
        }
        $places = array_map(static fn (Corner $c) => new Position($c->northing, $c->easting), $corners);
        $elements = [];
        $from = $places[0];
        foreach ($corners as $i => $corner) {
            [$before, $here, $after] = [$places[$i - 1] ?? null, $places[$i], $places[$i + 1] ?? null];
            if ($before === null) {
                continue;
            }
            if ($after === null || $corner->radius <= 0.0) {
                $elements = [...$elements, ...self::straight($from, $here)];
                $from = $here;

                continue;
            }
            [$in, $curve] = self::curve($before, $here, $after, $corner, $i + 1);
            $room = $from->distanceTo($here);
            if ($in > $room + self::SLACK) {
                throw NoAlignment::cornerTooTight($i + 1, $in, $room);
            }
            $begin = $here->along($here->azimuthTo($before), $in);
            $elements = [...$elements, ...self::straight($from, $begin), ...$curve];
            $from = $curve[count($curve) - 1]->end();
            $out = $here->distanceTo($from);
            if ($out > $here->distanceTo($after) + self::SLACK) {
                throw NoAlignment::cornerTooTight($i + 1, $out, $here->distanceTo($after));
            }
        }

        return $elements === [] ? throw NoAlignment::noElements() : $elements;
    }

    /** @return list<Element> */
    private static function straight(Position $from, Position $to): array
    {
        return $from->distanceTo($to) > self::SLACK ? [Element::between($from, $to)] : [];
    }

    /** @return array{float, non-empty-list<Element>} metres of tangent before the corner, and the curve */
    private static function curve(Position $before, Position $here, Position $after, Corner $corner, int $number): array
    {
        $azimuth = $before->azimuthTo($here);
        $turn = Angle::signed($here->azimuthTo($after) - $azimuth);
        if (abs($turn) < 1e-9 || abs($turn) > M_PI - 1e-9) {
            throw NoAlignment::straightCorner($number);
        }
        [$radius, $side, $angle] = [$corner->radius, $turn < 0 ? -1.0 : 1.0, abs($turn)];
        if (($corner->spiralIn + $corner->spiralOut) / (2 * $radius) > $angle + self::SLACK) {
            throw NoAlignment::spiralsTooLong($number);
        }
        [$p1, $k1, $turn1] = self::shift($corner->spiralIn, $radius);
        [$p2, , $turn2] = self::shift($corner->spiralOut, $radius);
        $arc = $angle - $turn1 - $turn2;
        if ($arc < -self::SLACK) {
            throw NoAlignment::spiralsTooLong($number);
        }
        $in = ($radius + $p2 - ($radius + $p1) * cos($angle)) / sin($angle) + $k1;
        $at = $here->along($azimuth + M_PI, $in);
        $curve = [];
        $curvature = $side / $radius;
        if ($corner->spiralIn > 0.0) {
            $curve[] = $spiral = Element::spiral($at, $azimuth, $corner->spiralIn, 0.0, $curvature);
            [$at, $azimuth] = [$spiral->end(), $spiral->endAzimuth()];
        }
        if ($arc * $radius > self::SLACK) {
            $curve[] = $round = Element::arc($at, $azimuth, $arc * $radius, $curvature);
            [$at, $azimuth] = [$round->end(), $round->endAzimuth()];
        }
        if ($corner->spiralOut > 0.0) {
            $curve[] = Element::spiral($at, $azimuth, $corner->spiralOut, $curvature, 0.0);
        }

        return $curve === [] ? throw NoAlignment::spiralsTooLong($number) : [$in, $curve];
    }

    /** @return array{float, float, float} shift of the arc, its throw along the tangent, and how far the spiral turns */
    private static function shift(float $length, float $radius): array
    {
        if ($length <= 0.0) {
            return [0.0, 0.0, 0.0];
        }
        $turn = $length / (2 * $radius);
        $end = Element::spiral(new Position(0.0, 0.0), 0.0, $length, 0.0, 1 / $radius)->end();

        return [$end->easting - $radius * (1 - cos($turn)), $end->northing - $radius * sin($turn), $turn];
    }
}
