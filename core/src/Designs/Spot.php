<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;

/** Exact coordinates of the spots of a shape; what was pointed at only says which. */
final class Spot
{
    /**
     * @param  Position|null  $near  where was pointed; for a foot, where the perpendicular comes from
     * @throws NoSuchSpot
     */
    public static function of(Shape $shape, SpotKind $kind, ?Position $near = null): Position
    {
        $open = in_array($shape->kind, [ShapeKind::Line, ShapeKind::Arc, ShapeKind::Ellipse, ShapeKind::Spline], true);
        $round = in_array($shape->kind, [ShapeKind::Arc, ShapeKind::Circle, ShapeKind::Ellipse], true);

        return match (true) {
            $kind === SpotKind::Start && $open => $shape->pointAt(0.0),
            $kind === SpotKind::End && $open => $shape->pointAt(1.0),
            $kind === SpotKind::Middle && $open && $shape->kind !== ShapeKind::Spline => $shape->pointAt(0.5),
            $kind === SpotKind::Centre && $round => $shape->anchor() ?? throw NoSuchSpot::of($kind, $shape->kind),
            $kind === SpotKind::Insertion && ! $open && ! $round && $shape->kind !== ShapeKind::Face => $shape->pointAt(0.0),
            $kind === SpotKind::Quadrant && $round && $shape->kind !== ShapeKind::Ellipse && $near !== null => self::quadrant(
                $shape, $near,
            ),
            ($kind === SpotKind::Foot || $kind === SpotKind::On) && $near !== null => self::foot($shape, $kind, $near),
            default => throw NoSuchSpot::of($kind, $shape->kind),
        };
    }

    private static function quadrant(Shape $shape, Position $near): Position
    {
        $legs = ShapeLegs::of($shape);
        $centre = $shape->anchor() ?? $near;
        $places = array_map(static fn (int $k) => $centre->along($k * M_PI_2, $shape->v[3], $centre->elevation), [0, 1, 2, 3]);
        $on = array_filter($places, static fn (Position $p) => array_filter($legs, static fn (Leg $l) => $l->foot($p) !== null) !== []);
        if ($on === []) {
            throw NoSuchSpot::of(SpotKind::Quadrant, $shape->kind);
        }
        usort($on, static fn (Position $p, Position $q) => $near->distanceTo($p) <=> $near->distanceTo($q));

        return $on[0];
    }

    private static function foot(Shape $shape, SpotKind $kind, Position $from): Position
    {
        $legs = ShapeLegs::of($shape);
        if ($legs === []) {
            throw NoSuchSpot::of($kind, $shape->kind);
        }
        $polyline = Polyline::of($legs);
        $along = $polyline->foot($from)[0];

        return $polyline->at($kind === SpotKind::On ? max(0.0, min($polyline->length(), $along)) : $along);
    }

    /**
     * The crossing of two shapes nearest to where was pointed; its elevation is the first shape's there.
     *
     * @param  bool  $prolonged  also where they would meet if they went on
     * @throws NoSuchSpot
     */
    public static function crossing(Shape $a, Shape $b, Position $near, bool $prolonged = false): Position
    {
        $found = Crossings::between($a, $b, $prolonged);
        if ($found === []) {
            throw NoSuchSpot::noIntersection();
        }
        usort($found, static fn (Position $p, Position $q) => $near->distanceTo($p) <=> $near->distanceTo($q));

        return $found[0];
    }
}
