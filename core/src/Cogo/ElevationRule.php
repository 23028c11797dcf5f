<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;

/** Where the elevation of a point comes from. */
enum ElevationRule: string
{
    /** from the geometry, as it was worked out, and so much higher */
    case AsMade = 'asMade';
    case None = 'none';
    case Figure = 'figure';
    /** that of another point, and a difference added */
    case Difference = 'difference';
    /** along a grade from another point: rise over run times the horizontal distance */
    case Grade = 'grade';
    /** evenly between two points, by how far the place lies along the line between them */
    case Between = 'between';

    /**
     * @param  float  $value  metres, or rise over run
     * @throws NoConstruction where a point that it needs has no elevation
     */
    public function apply(Position $made, float $value = 0.0, ?Position $from = null, ?Position $to = null): Position
    {
        return $made->at(match ($this) {
            self::AsMade => $made->elevation === null ? null : $made->elevation + $value,
            self::None => null,
            self::Figure => $value,
            self::Difference => self::known($from) + $value,
            self::Grade => self::known($from) + $value * ($from?->distanceTo($made) ?? 0.0),
            self::Between => self::between($made, $from, $to),
        });
    }

    private static function between(Position $made, ?Position $from, ?Position $to): float
    {
        [$low, $high] = [self::known($from), self::known($to)];
        if ($from === null || $to === null) {
            throw NoConstruction::tooFew('An elevation between two points', 2, 0);
        }

        return $low + ($high - $low) * Line::through($from, $to)->along($made) / $from->distanceTo($to);
    }

    private static function known(?Position $p): float
    {
        return $p->elevation ?? throw NoConstruction::contradiction('The point that the elevation is taken from has none itself.');
    }
}
