<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** A closed line whose corners are rounded off. */
final class RoundedLoop
{
    /**
     * @param  list<array{float, float, float}>  $corners  and the radius of each, 0 where it is sharp; one too large for its sides is left sharp
     */
    public static function of(array $corners): Loop
    {
        $count = count($corners);
        $places = $arcs = [];
        foreach ($corners as $k => [$x, $y, $radius]) {
            $arc = $radius > 0.0 ? self::arc($corners[($k - 1 + $count) % $count], $corners[$k], $corners[($k + 1) % $count]) : null;
            if ($arc === null) {
                $places[] = [$x, $y];

                continue;
            }
            [$cx, $cy, $from, $sweep] = $arc;
            $pieces = max(1, (int) ceil(abs($sweep) / (2 * M_PI) * Loop::PIECES - 1e-6));
            for ($i = 0; $i <= $pieces; $i++) {
                if ($i < $pieces) {
                    $arcs[count($places)] = [$cx, $cy, $radius];
                }
                $places[] = [$cx + $radius * cos($from + $sweep * $i / $pieces), $cy + $radius * sin($from + $sweep * $i / $pieces)];
            }
        }

        return new Loop($places, $arcs);
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     * @return array{float, float, float, float}|null centre, where it begins and how far it sweeps, radians; to the left above 0
     */
    private static function arc(array $a, array $b, array $c): ?array
    {
        [$in, $out] = [hypot($b[0] - $a[0], $b[1] - $a[1]), hypot($c[0] - $b[0], $c[1] - $b[1])];
        if ($in === 0.0 || $out === 0.0) {
            return null;
        }
        [$ux, $uy] = [($b[0] - $a[0]) / $in, ($b[1] - $a[1]) / $in];
        [$vx, $vy] = [($c[0] - $b[0]) / $out, ($c[1] - $b[1]) / $out];
        $turn = atan2($ux * $vy - $uy * $vx, $ux * $vx + $uy * $vy);
        $tangent = $b[2] * abs(tan($turn / 2));
        // Half a side for each of the two corners that may share it.
        if (abs($turn) < 1e-9 || $tangent > $in - ($a[2] > 0.0 ? $in / 2 : 0.0) + 1e-12 || $tangent > $out - ($c[2] > 0.0 ? $out / 2 : 0.0) + 1e-12) {
            return null;
        }
        $side = $turn > 0.0 ? 1.0 : -1.0;
        [$sx, $sy] = [$b[0] - $tangent * $ux, $b[1] - $tangent * $uy];
        [$cx, $cy] = [$sx - $side * $b[2] * $uy, $sy + $side * $b[2] * $ux];

        return [$cx, $cy, atan2($sy - $cy, $sx - $cx), $turn];
    }
}
