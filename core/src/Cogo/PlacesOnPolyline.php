<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;

/** Places along lines, arcs and chains of them, beside them, and at their corners. */
final class PlacesOnPolyline
{
    /** @param  float  $distance  from the beginning; beyond the ends straight on */
    public static function at(Polyline $polyline, float $distance, float $right, bool $alongArc = false): Made
    {
        [$line, $along] = $alongArc ? $polyline->reaching($distance) : [$polyline, $distance];
        $on = $line->at($along);
        $to = $line->at($along, $right);
        $figures = [
            Quantity::length('along', $distance), Quantity::length('to the other end', $polyline->length() - $distance),
            Quantity::direction('direction there', $line->azimuthAt($along)),
        ];

        return Made::one([new MadePlace($to)], $figures, [...$line->legs, new Leg($on, $to)]);
    }

    /** The nearest place on it, with the distance along and the offset in metres, right positive. */
    public static function foot(Polyline $polyline, Position $p): Made
    {
        foreach ($polyline->legs as $leg) {
            // From there every place of the arc is as near as any other.
            if (($leg->centre()?->distanceTo($p) ?? INF) < 1e-6 && abs(abs($polyline->foot($p)[1]) - $leg->radius()) < 1e-6) {
                throw NoConstruction::contradiction(
                    'The place is the centre of an arc: all of the arc lies at the same distance from it. Choose another place.',
                );
            }
        }
        [$along, $right] = $polyline->foot($p);
        $foot = $polyline->at($along);

        return Made::one([new MadePlace($foot)], [
            Quantity::length('along', $along),
            Quantity::length($right < 0 ? 'offset to the left' : 'offset to the right', abs($right)),
        ], [...$polyline->legs, new Leg($p, $foot)]);
    }

    /** @throws NoConstruction */
    public static function divided(Polyline $polyline, int $parts, float $right): Made
    {
        $places = $polyline->divided($parts, $right);

        return Made::one(self::numbered($places), [Quantity::length('one part', $polyline->length() / $parts)], $polyline->legs);
    }

    /** @throws NoConstruction */
    public static function every(Polyline $polyline, float $interval, bool $corners, float $right): Made
    {
        $places = array_column($polyline->every($interval, $corners, $right), 1);

        return Made::one(self::numbered($places), [Quantity::length('length', $polyline->length())], $polyline->legs);
    }

    /** @throws NoConstruction */
    public static function parallel(Polyline $polyline, float $right): Made
    {
        $parallel = $polyline->parallel($right);

        return Made::one(
            self::numbered($parallel->corners()), [Quantity::length('length', $parallel->length())],
            [...$polyline->legs, ...$parallel->legs],
        );
    }

    /** Where its pieces meet, its ends included; those of a closed one once. */
    public static function corners(Polyline $polyline): Made
    {
        return Made::one(self::numbered($polyline->corners()), [Quantity::length('length', $polyline->length())], $polyline->legs);
    }

    /**
     * Pairs for profile boards: beyond each corner of a building, on both of its sides prolonged.
     *
     * @throws NoConstruction where the outline is not closed
     */
    public static function setBack(Polyline $outline, float $distance): Made
    {
        if (! $outline->isClosed()) {
            throw NoConstruction::contradiction('The outline is not closed. Choose all its sides, in order.');
        }
        if ($distance <= 0.0) {
            throw NoConstruction::notPositive('The distance of the set-back');
        }
        $places = $drawn = [];
        $count = count($outline->legs);
        for ($i = 0; $i < $count; $i++) {
            $before = $outline->legs[($i + $count - 1) % $count];
            $after = $outline->legs[$i];
            $corner = $after->from;
            $beyond = [$before->at($before->length() + $distance), $after->at(-$distance)];
            foreach (['a', 'b'] as $k => $letter) {
                $places[] = new MadePlace($beyond[$k]->at($corner->elevation), ($i + 1).$letter);
                $drawn[] = new Leg($corner, $beyond[$k]);
            }
        }

        return Made::one($places, [Quantity::length('set-back', $distance)], [...$outline->legs, ...$drawn]);
    }

    /** Area, perimeter and centroid of what a closed chain encloses. */
    public static function enclosed(Polyline $outline): Made
    {
        $enclosed = Enclosed::by($outline);

        return Made::one([new MadePlace($enclosed->centroid, 'centroid')], [
            new Quantity('area', QuantityKind::Area, $enclosed->area), Quantity::length('perimeter', $outline->length()),
        ], $outline->legs);
    }

    /**
     * @param  list<Position>  $places
     * @return list<MadePlace>
     */
    public static function numbered(array $places): array
    {
        return array_map(static fn (Position $p, int $i) => new MadePlace($p, (string) ($i + 1)), $places, array_keys($places));
    }
}
