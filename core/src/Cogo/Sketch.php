<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Intersection;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/**
 * A plan drawn from a start, leg by leg. The misclosure of one that should end where it began is what is missing from its end to its start;
 * it is spread by the compass rule, each corner moved in proportion to the length walked to it (Ghilani & Wolf, Elementary Surveying,
 * traverse computations; recalled).
 */
final readonly class Sketch
{
    private const MOST_LEGS = 500;

    /**
     * @param  list<SketchLeg>  $legs
     * @param  float  $closing  direction of the closing line toward the start, for closing by an intersection
     * @param  float  $offset  the whole drawn as a parallel so far to the right
     * @throws NoConstruction
     */
    public static function made(Position $start, array $legs, SketchClosing $close, float $closing = 0.0, float $offset = 0.0): Made
    {
        if (count($legs) > self::MOST_LEGS) {
            throw NoConstruction::tooMany(self::MOST_LEGS);
        }
        $drawn = self::drawn($start, $legs, $close, $closing);
        if ($drawn === []) {
            return Made::one([new MadePlace($start, 'start')]);
        }
        $missing = new Leg($drawn[count($drawn) - 1]->to, $start);
        $figures = self::figures($drawn, $missing, $close);
        if ($close === SketchClosing::Spread) {
            $drawn = self::spread($drawn, $start);
        }
        $closed = $close === SketchClosing::Spread || $close === SketchClosing::ByIntersection;
        $extra = $closed || $close === SketchClosing::Open || $missing->length() === 0.0 ? [] : [$missing];
        if ($offset !== 0.0) {
            $parallel = Polyline::of($drawn)->parallel($offset);

            return Made::one(PlacesOnPolyline::numbered($parallel->corners()), $figures, [...$drawn, ...$extra, ...$parallel->legs]);
        }

        return Made::one(self::places($drawn, $legs, $closed), $figures, [...$drawn, ...$extra]);
    }

    /**
     * @param  list<SketchLeg>  $legs
     * @return list<Leg>
     */
    private static function drawn(Position $start, array $legs, SketchClosing $close, float $closing): array
    {
        $drawn = [];
        $at = $start;
        $heading = 0.0;
        foreach ($legs as $i => $leg) {
            $azimuth = Angle::wrap($leg->azimuth ?? $heading + $leg->turn);
            $made = $leg->isArc() ? self::arc($at, $azimuth, $leg) : self::straight(
                $at, $azimuth, $leg,
                $i === count($legs) - 1 && $close === SketchClosing::ByIntersection ? new Line($start, $closing) : null,
            );
            $drawn[] = $made;
            $heading = $made->azimuthAt($made->length());
            $at = $made->to;
        }
        if ($close === SketchClosing::ByIntersection && $drawn !== []) {
            $drawn[] = new Leg($at, $start);
        }

        return $drawn;
    }

    private static function arc(Position $at, float $azimuth, SketchLeg $leg): Leg
    {
        if ($leg->angle <= 0.0 || $leg->angle >= 2 * M_PI) {
            throw NoConstruction::outOfRange('The angle of an arc', 'more than 0 and less than a whole turn');
        }
        $arc = Leg::leaving($at, $azimuth, $leg->radius, $leg->right ? $leg->angle : -$leg->angle);

        return new Leg($at, $arc->to->at($at->elevation === null ? null : $at->elevation + $leg->rise), $arc->sweep);
    }

    private static function straight(Position $at, float $azimuth, SketchLeg $leg, ?Line $closing): Leg
    {
        $until = $leg->length === null ? $leg->until ?? $closing : null;
        if ($leg->length === null && $until === null) {
            throw NoConstruction::contradiction('A leg needs a length, or a line that it runs until.');
        }
        $to = $until === null ? $at->along($azimuth, (float) $leg->length) : Intersection::ofRays(new Line($at, $azimuth), $until);

        return new Leg($at, $to->at($at->elevation === null ? null : $at->elevation + $leg->rise));
    }

    /**
     * @param  list<Leg>  $drawn
     * @return list<Leg>
     */
    private static function spread(array $drawn, Position $start): array
    {
        $end = $drawn[count($drawn) - 1]->to;
        $whole = array_sum(array_map(static fn (Leg $l) => $l->length(), $drawn));
        $moved = static function (Position $p, float $walked) use ($start, $end, $whole): Position {
            $part = $whole === 0.0 ? 0.0 : $walked / $whole;
            $rise = $p->elevation === null || $start->elevation === null || $end->elevation === null
                ? $p->elevation
                : $p->elevation + $part * ($start->elevation - $end->elevation);

            return new Position(
                $p->northing + $part * ($start->northing - $end->northing), $p->easting + $part * ($start->easting - $end->easting),
                $rise,
            );
        };
        $walked = 0.0;
        $spread = [];
        foreach ($drawn as $leg) {
            $from = $moved($leg->from, $walked);
            $walked += $leg->length();
            $spread[] = new Leg($from, $moved($leg->to, $walked), $leg->sweep);
        }

        return $spread;
    }

    /**
     * @param  list<Leg>  $drawn
     * @return list<Quantity>
     */
    private static function figures(array $drawn, Leg $missing, SketchClosing $close): array
    {
        $length = array_sum(array_map(static fn (Leg $l) => $l->length(), $drawn));
        $figures = [Quantity::length('length of all legs', $length)];
        if ($close === SketchClosing::Reported || $close === SketchClosing::Spread) {
            $north = $missing->to->northing - $missing->from->northing;
            $east = $missing->to->easting - $missing->from->easting;
            $figures[] = Quantity::deviation('missing to the '.($north < 0 ? 'south' : 'north'), abs($north));
            $figures[] = Quantity::deviation('missing to the '.($east < 0 ? 'west' : 'east'), abs($east));
            $figures[] = Quantity::deviation('misclosure', $missing->length());
            $figures[] = new Quantity(
                'one part in', QuantityKind::Number, $missing->length() < 1e-9 ? INF : round($length / $missing->length()),
            );
        }

        return $figures;
    }

    /**
     * The start, the end of each leg, and the points of arcs; the start not a second time.
     *
     * @param  list<Leg>  $drawn
     * @param  list<SketchLeg>  $legs
     * @return list<MadePlace>
     */
    private static function places(array $drawn, array $legs, bool $closed): array
    {
        $places = [new MadePlace($drawn[0]->from, '1')];
        foreach ($drawn as $i => $leg) {
            $between = $legs[$i]->points ?? 0;
            for ($k = 1; $k <= min(1000, $between); $k++) {
                $places[] = new MadePlace($leg->at($leg->length() * $k / ($between + 1)), ($i + 1).'.'.$k);
            }
            if (! $closed || $i < count($drawn) - 1) {
                $places[] = new MadePlace($leg->to, (string) ($i + 2));
            }
        }

        return $places;
    }
}
