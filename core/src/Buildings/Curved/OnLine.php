<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Curved;

use Parlay\Core\Geometry\Space;

/** Places of a line of legs, counted from 0 at its first and 1 on at each that follows. */
final class OnLine
{
    /**
     * @param  non-empty-list<array{float, float, float}>  $places  one that comes back to its first goes on from there
     * @return array{float, float, float}
     */
    public static function at(array $places, float $t): array
    {
        $last = count($places) - 1;
        if ($last === 0) {
            return $places[0];
        }
        if (($t < 0.0 || $t > $last) && Space::length(Space::way($places[0], $places[$last])) < 1e-6) {
            $t -= $last * floor($t / $last);
        }
        $k = max(0, min($last - 1, (int) floor($t)));

        return Space::plus($places[$k], Space::way($places[$k], $places[$k + 1]), $t - $k);
    }

    /**
     * @param  non-empty-list<array{float, float, float}>  $places
     * @param  array{float, float, float}  $to
     */
    public static function nearest(array $places, array $to): float
    {
        [$best, $least] = [0.0, INF];
        for ($k = 1; $k < count($places); $k++) {
            $leg = Space::way($places[$k - 1], $places[$k]);
            $square = Space::dot($leg, $leg);
            $t = $square > 0.0 ? max(0.0, min(1.0, Space::dot(Space::way($places[$k - 1], $to), $leg) / $square)) : 0.0;
            $away = Space::length(Space::way(Space::plus($places[$k - 1], $leg, $t), $to));
            if ($away < $least) {
                [$best, $least] = [$k - 1 + $t, $away];
            }
        }

        return $best;
    }
}
