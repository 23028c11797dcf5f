<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

use Parlay\Core\Geometry\Leg;

/** The straight pieces and arcs of a shape, to compute with. */
final class ShapeLegs
{
    /** @return list<Leg> a circle in two halves; nothing for what is no line or arc */
    public static function of(Shape $shape): array
    {
        return match ($shape->kind) {
            ShapeKind::Line => [new Leg($shape->pointAt(0.0), $shape->pointAt(1.0))],
            ShapeKind::Arc => self::ofArc($shape),
            ShapeKind::Circle => [
                new Leg($shape->pointAt(0.0), $shape->pointAt(0.5), -M_PI), new Leg($shape->pointAt(0.5), $shape->pointAt(0.0), -M_PI),
            ],
            default => [],
        };
    }

    /** @return list<Leg> an arc of more than three quarters in two, so that its chord never gets lost */
    private static function ofArc(Shape $arc): array
    {
        $sweep = -$arc->v[5];
        if (abs($sweep) <= 1.5 * M_PI) {
            return [new Leg($arc->pointAt(0.0), $arc->pointAt(1.0), $sweep)];
        }

        return [new Leg($arc->pointAt(0.0), $arc->pointAt(0.5), $sweep / 2), new Leg($arc->pointAt(0.5), $arc->pointAt(1.0), $sweep / 2)];
    }
}
