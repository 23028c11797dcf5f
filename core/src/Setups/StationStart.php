<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/**
 * Places where the station may be, in closed form, so that nobody need guess one.
 *
 * A distance puts the station on a circle about the mark. Two directions put it on the circle over both marks from which they are seen
 * at the measured angle (the inscribed angle, Euclid III.21; of three directions the second crossing is Collins' and Cassini's
 * resection). Two circles give up to two places. Two sights with both direction and distance give one place at once, by the shift and
 * turn that lays the measured figure on the control.
 */
final class StationStart
{
    /** Circles taken into account: more make the start slower and no better. */
    private const CIRCLES = 6;

    /**
     * @param  list<ControlSight>  $sights  in use
     * @return list<array{Position, float}> places with their orientation, none twice
     */
    public static function find(array $sights, Position $origin): array
    {
        $both = array_values(array_filter($sights, static fn (ControlSight $s) => $s->givesDirection() && $s->givesDistance()));
        foreach ($both as $s) {
            if ($s->control->distanceTo($both[0]->control) > 0.1) {
                [$n, $e, $turn] = ResectionStart::find($both, $origin);

                return [[new Position($origin->northing + $n, $origin->easting + $e), $turn]];
            }
        }
        $found = [];
        $circles = self::circles($sights);
        foreach ($circles as $i => $a) {
            foreach (array_slice($circles, $i + 1) as $b) {
                foreach (self::crossings($a, $b) as $place) {
                    $found = self::added($found, $place, $sights);
                }
            }
        }

        return $found;
    }

    /**
     * @param  list<ControlSight>  $sights
     * @return list<array{Position, float}> centres and radii
     */
    private static function circles(array $sights): array
    {
        $circles = [];
        foreach ($sights as $s) {
            if ($s->givesDistance()) {
                $circles[] = [$s->control, $s->sight->distance];
            }
        }
        $directions = array_values(array_filter($sights, static fn (ControlSight $s) => $s->givesDirection()));
        foreach ($directions as $i => $b) {
            foreach (array_slice($directions, $i + 1) as $c) {
                $angle = Angle::signed($c->sight->circle - $b->sight->circle);
                $apart = $b->control->distanceTo($c->control);
                if ($apart > 0.1 && abs(sin($angle)) > 1e-4) {
                    // The centre lies on the bisector of both marks, seen from the station's side where the angle is sharp.
                    $up = $apart / 2 / tan($angle);
                    $toward = $b->control->azimuthTo($c->control);
                    $circles[] = [$b->control->along($toward, $apart / 2)->along($toward + M_PI_2, $up), $apart / 2 / abs(sin($angle))];
                }
            }
        }

        return array_slice($circles, 0, self::CIRCLES);
    }

    /**
     * @param  array{Position, float}  $a
     * @param  array{Position, float}  $b
     * @return list<Position> a touching point where they miss each other by little
     */
    private static function crossings(array $a, array $b): array
    {
        $apart = $a[0]->distanceTo($b[0]);
        if ($apart < 1e-6) {
            return [];
        }
        $along = ($apart ** 2 + $a[1] ** 2 - $b[1] ** 2) / (2 * $apart);
        $across = $a[1] ** 2 - $along ** 2;
        // Measured circles may just miss each other where they should touch.
        if ($across < -0.05 * $a[1] ** 2) {
            return [];
        }
        $toward = $a[0]->azimuthTo($b[0]);
        $foot = $a[0]->along($toward, $along);
        $across = sqrt(max(0.0, $across));

        return $across < 1e-6 ? [$foot] : [$foot->along($toward + M_PI_2, $across), $foot->along($toward - M_PI_2, $across)];
    }

    /**
     * @param  list<array{Position, float}>  $found
     * @param  list<ControlSight>  $sights
     * @return list<array{Position, float}>
     */
    private static function added(array $found, Position $place, array $sights): array
    {
        foreach ($sights as $s) {
            if ($place->distanceTo($s->control) < 0.05) {
                return $found;
            }
        }
        foreach ($found as [$other]) {
            if ($place->distanceTo($other) < 0.05) {
                return $found;
            }
        }
        $found[] = [$place, self::orientation($place, $sights)];

        return $found;
    }

    /**
     * The mean of what the directions say from there; 0 where there are none.
     *
     * @param  list<ControlSight>  $sights
     */
    public static function orientation(Position $place, array $sights): float
    {
        $north = $east = 0.0;
        foreach ($sights as $s) {
            if ($s->givesDirection()) {
                $turn = $place->azimuthTo($s->control) - $s->sight->circle;
                $north += cos($turn);
                $east += sin($turn);
            }
        }

        return Angle::wrap(atan2($east, $north));
    }
}
