<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;

/** The order in which points are taken. */
final class Worklist
{
    /**
     * @param  array<int, Position>  $open by point id
     *  @return int|null id of the point nearest in plan, null where none is left
     */
    public static function nearest(Position $from, array $open): ?int
    {
        $nearest = null;
        $least = INF;
        foreach ($open as $id => $place) {
            $distance = $from->distanceTo($place);
            if ($distance < $least) {
                [$nearest, $least] = [$id, $distance];
            }
        }

        return $nearest;
    }
}
