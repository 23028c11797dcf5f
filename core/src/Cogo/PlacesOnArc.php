<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Circle;
use Parlay\Core\Geometry\Intersection;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/** Arcs from what is known of them: three places, a beginning with two elements, or two tangents. */
final class PlacesOnArc
{
    /** @throws NoConstruction */
    public static function throughThree(Position $from, Position $over, Position $to): Made
    {
        $circle = Circle::through($from, $over, $to);

        return Made::one([new MadePlace($circle->centre, 'centre')], self::figures($arc = $circle->arc($from, $over, $to)), [$arc]);
    }

    /** @param  float  $azimuth  in which the arc leaves; $right: it bends to the right */
    public static function leaving(Position $from, float $azimuth, SimpleCurve $curve, bool $right): Made
    {
        $arc = Leg::leaving($from, $azimuth, $curve->radius, $right ? $curve->angle : -$curve->angle);
        $places = [
            new MadePlace($arc->to, 'end'), new MadePlace($arc->centre() ?? $from, 'centre'),
            new MadePlace($arc->at($arc->length() / 2), 'middle'),
        ];
        if ($curve->angle < M_PI) {
            $places[] = new MadePlace($from->along($azimuth, $curve->tangent()), 'meeting of the tangents');
        }

        return Made::one($places, self::figures($arc), [$arc]);
    }

    /**
     * The arc that joins two places, by one element beside its chord; cut into parts of one length.
     *
     * @param  float  $value  of the element, metres or radians
     * @param  bool  $right  it bends to the right, from the first place to the second
     *
     * @throws NoConstruction where both are one place, the element leaves no arc, or the parts are none
     */
    public static function between(Position $from, Position $to, CurveElement $element, float $value, bool $right, int $parts): Made
    {
        $chord = $from->distanceTo($to);
        if ($chord === 0.0) {
            throw NoConstruction::onePlace();
        }
        $curve = SimpleCurve::from(CurveElement::Chord, $chord, $element, $value);
        $arc = new Leg($from, $to, $right ? $curve->angle : -$curve->angle);
        $places = [];
        foreach (array_slice(Polyline::of([$arc])->divided($parts, 0.0), 1, -1) as $i => $p) {
            $places[] = new MadePlace($p, (string) ($i + 1));
        }

        return Made::one([
            ...$places, new MadePlace($arc->at($arc->length() / 2), 'middle'), new MadePlace($arc->centre() ?? $from, 'centre'),
        ], [...self::figures($arc), Quantity::length('rise', $curve->of(CurveElement::MiddleOrdinate)), Quantity::length('one part', $arc->length() / $parts)], [$arc]);
    }

    /**
     * The arc of a radius that touches two lines, on the side where both were touched: from each line's beginning toward its direction.
     *
     * @throws NoConstruction
     */
    public static function betweenTangents(Line $a, Line $b, float $radius): Made
    {
        if ($radius <= 0.0) {
            throw NoConstruction::notPositive('The radius');
        }
        $meeting = Intersection::ofRays($a, $b);
        // Toward the parts that were touched: away from where the tangents meet.
        $out = static fn (Line $r): float => abs($r->along($meeting)) < 1e-9 ? $r->azimuth : $meeting->azimuthTo($r->from);
        [$toA, $toB] = [$out($a), $out($b)];
        $opening = Angle::signed($toB - $toA);
        $tangent = $radius / tan(abs($opening) / 2);
        $arc = new Leg($meeting->along($toA, $tangent), $meeting->along($toB, $tangent), ($opening > 0 ? -1 : 1) * (M_PI - abs($opening)));

        return Made::one([
            new MadePlace($arc->from, 'beginning of the arc'),
            new MadePlace($arc->to, 'end of the arc'), new MadePlace($arc->centre() ?? $meeting, 'centre'),
            new MadePlace($meeting, 'meeting of the tangents'),
        ], [...self::figures($arc), Quantity::length('tangent', $tangent)],
            [new Leg($meeting, $arc->from), $arc, new Leg($arc->to, $meeting)]);
    }

    /** @return list<Quantity> */
    private static function figures(Leg $arc): array
    {
        return [
            Quantity::length('radius', $arc->radius()),
            Quantity::length('length', $arc->length()), Quantity::angle('angle', abs($arc->sweep)),
            Quantity::length('chord', $arc->from->distanceTo($arc->to)),
        ];
    }
}
