<?php

declare(strict_types=1);

namespace Parlay\Core\Design;

use Parlay\Core\Geometry\Position;

/** Exact coordinates of the spots of a shape; what was pointed at only says which. */
final class Spot
{
    /** @throws NoSuchSpot */
    public static function of(Shape $shape, SpotKind $kind): Position
    {
        $open = in_array($shape->kind, [ShapeKind::Line, ShapeKind::Arc, ShapeKind::Ellipse, ShapeKind::Spline], true);
        $round = in_array($shape->kind, [ShapeKind::Arc, ShapeKind::Circle, ShapeKind::Ellipse], true);

        return match (true) {
            $kind === SpotKind::Start && $open => $shape->pointAt(0.0),
            $kind === SpotKind::End && $open => $shape->pointAt(1.0),
            $kind === SpotKind::Middle && $open && $shape->kind !== ShapeKind::Spline => $shape->pointAt(0.5),
            $kind === SpotKind::Centre && $round => $shape->anchor() ?? throw NoSuchSpot::of($kind, $shape->kind),
            $kind === SpotKind::Insertion && ! $open && ! $round && $shape->kind !== ShapeKind::Face => $shape->pointAt(0.0),
            default => throw NoSuchSpot::of($kind, $shape->kind),
        };
    }

    /**
     * The crossing of two shapes nearest to where was pointed; its elevation is the first shape's there.
     *  @throws NoSuchSpot
     */
    public static function crossing(Shape $a, Shape $b, Position $near): Position
    {
        $found = Crossings::between($a, $b);
        if ($found === []) {
            throw NoSuchSpot::noIntersection();
        }
        usort($found, static fn (Position $p, Position $q) => $near->distanceTo($p) <=> $near->distanceTo($q));

        return $found[0];
    }
}
