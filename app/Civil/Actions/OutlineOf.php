<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;

/** The corners of a line that was touched as an outline; arcs by chords. */
final class OutlineOf
{
    private const STEP = 0.05;

    /** @return list<Position> */
    public static function corners(Polyline $line): array
    {
        $corners = [];
        foreach ($line->legs as $leg) {
            $parts = $leg->isStraight() ? 1 : (int) ceil(abs($leg->sweep) / self::STEP);
            for ($i = 0; $i < $parts; $i++) {
                $corners[] = $leg->at($leg->length() * $i / $parts);
            }
        }
        $last = $line->legs[count($line->legs) - 1]->to;

        return [...$corners, $last];
    }
}
