<?php

declare(strict_types=1);

namespace Parlay\Core\Control;

use Parlay\Core\Geometry\Intersection;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\Position;

/** Where two grid lines of different families cross. */
final readonly class GridCrossing
{
    /** Grid lines cross where both reach, or nearly, metres. */
    private const REACH = 0.5;

    /** Lines that meet at less than this do not cross, radians. */
    private const SHARP = 1e-3;

    /**
     * @param  int  $first  number of the line that is named first; where one is a ring, the line that runs to it
     * @param  int  $second  number of the other
     */
    private function __construct(
        public int $first,
        public int $second,
        public Position $position,
    ) {}

    /**
     * Every line with every one of another family: letters before numbers, and before rings.
     *
     * @param  list<GridLine>  $lines
     * @return list<self> in the order of the lines
     */
    public static function all(array $lines): array
    {
        $found = [];
        foreach ($lines as $i => $a) {
            foreach (array_slice($lines, $i + 1, null, true) as $k => $b) {
                if ($a->family === $b->family) {
                    continue;
                }
                [$first, $second] = $a->ring || ($a->family === 'numbers' && ! $b->ring) ? [$k, $i] : [$i, $k];
                $at = $lines[$second]->ring || $lines[$first]->ring
                    ? self::ofRing($lines[$first], $lines[$second])
                    : self::ofLines($lines[$first], $lines[$second]);
                if ($at !== null) {
                    $found[] = new self($first, $second, $at);
                }
            }
        }

        return $found;
    }

    private static function ofLines(GridLine $a, GridLine $b): ?Position
    {
        [$p, $q] = [Line::through($a->from, $a->to), Line::through($b->from, $b->to)];
        if (abs(sin($p->azimuth - $q->azimuth)) < self::SHARP) {
            return null;
        }
        $at = Intersection::ofRays($p, $q);
        foreach ([[$a, $p], [$b, $q]] as [$line, $ray]) {
            if (! self::reaches($line, $ray->along($at))) {
                return null;
            }
        }

        return $at;
    }

    /** A line from the centre outward crosses a ring once; of another, that goes through the ring, the place farther along counts. */
    private static function ofRing(GridLine $line, GridLine $ring): ?Position
    {
        if ($line->ring || ! $ring->ring) {
            return null;
        }
        $ray = Line::through($line->from, $line->to);
        $half = $ring->from->distanceTo($ring->to) ** 2 - $ray->right($ring->from) ** 2;
        if ($half < 0.0) {
            return null;
        }
        foreach ([1, -1] as $side) {
            $along = $ray->along($ring->from) + $side * sqrt($half);
            if (self::reaches($line, $along)) {
                return $ray->at($along);
            }
        }

        return null;
    }

    private static function reaches(GridLine $line, float $along): bool
    {
        return $along >= -self::REACH && $along <= $line->from->distanceTo($line->to) + self::REACH;
    }
}
