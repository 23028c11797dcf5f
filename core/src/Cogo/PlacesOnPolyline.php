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
    public static function at(Polyline $chain, float $distance, float $right): Made
    {
        $on = $chain->at($distance);
        $to = $chain->at($distance, $right);
        $figures = [Quantity::length('along', $distance), Quantity::length('to the other end', $chain->length() - $distance), Quantity::direction('direction there', $chain->azimuthAt($distance))];

        return Made::one([new MadePlace($to)], $figures, [...$chain->legs, new Leg($on, $to)]);
    }

    public static function foot(Polyline $chain, Position $p): Made
    {
        foreach ($chain->legs as $leg) {
            // From there every place of the arc is as near as any other.
            if (($leg->centre()?->distanceTo($p) ?? INF) < 1e-6 && abs(abs($chain->foot($p)[1]) - $leg->radius()) < 1e-6) {
                throw NoConstruction::contradiction('The place is the centre of an arc: all of the arc lies at the same distance from it. Choose another place.');
            }
        }
        [$along, $right] = $chain->foot($p);
        $foot = $chain->at($along);

        return Made::one([new MadePlace($foot)], [
            Quantity::length('along', $along),
            Quantity::length($right < 0 ? 'offset to the left' : 'offset to the right', abs($right)),
        ], [...$chain->legs, new Leg($p, $foot)]);
    }

    /** @throws NoConstruction */
    public static function divided(Polyline $chain, int $parts, float $right): Made
    {
        $places = $chain->divided($parts, $right);

        return Made::one(self::numbered($places), [Quantity::length('one part', $chain->length() / $parts)], $chain->legs);
    }

    /** @throws NoConstruction */
    public static function every(Polyline $chain, float $interval, bool $corners, float $right): Made
    {
        $places = array_column($chain->every($interval, $corners, $right), 1);

        return Made::one(self::numbered($places), [Quantity::length('length', $chain->length())], $chain->legs);
    }

    /** @throws NoConstruction */
    public static function parallel(Polyline $chain, float $right): Made
    {
        $parallel = $chain->parallel($right);

        return Made::one(self::numbered($parallel->corners()), [Quantity::length('length', $parallel->length())], [...$chain->legs, ...$parallel->legs]);
    }

    public static function corners(Polyline $chain): Made
    {
        return Made::one(self::numbered($chain->corners()), [Quantity::length('length', $chain->length())], $chain->legs);
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
