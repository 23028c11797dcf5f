<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Stand;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setups\Precision;

/**
 * How well an instrument standing somewhere would find its place from sights to control, before anything is measured: the covariance
 * follows from the geometry alone. In plan, where a target's uncertainty is the same in all directions, directions and distances are
 * uncorrelated.
 */
final readonly class Expected
{
    /** No sight is shorter than this, metres. */
    private const NEAREST = 1.0;

    /**
     * @param  list<Position>  $control
     * @param  list<float>  $deviations  of their coordinates, metres
     * @return Precision|null null where they fix no place
     */
    public static function precision(Position $place, array $control, array $deviations, Accuracy $accuracy): ?Precision
    {
        $nn = $ne = $no = $ee = $eo = $oo = 0.0;
        foreach ($control as $i => $c) {
            $dn = $c->northing - $place->northing;
            $de = $c->easting - $place->easting;
            $square = $dn * $dn + $de * $de;
            if ($square < self::NEAREST ** 2) {
                continue;
            }
            $target = $accuracy->centring ** 2 + $deviations[$i] ** 2;
            $direction = 1 / ($accuracy->angle ** 2 + $target / $square);
            $distance = 1 / ($accuracy->distance ** 2 + ($accuracy->distancePpm * 1e-6) ** 2 * $square + $target);
            [$a, $b] = [$de / $square, -$dn / $square];
            $nn += $direction * $a * $a + $distance * $dn * $dn / $square;
            $ne += $direction * $a * $b + $distance * $dn * $de / $square;
            $ee += $direction * $b * $b + $distance * $de * $de / $square;
            $no -= $direction * $a;
            $eo -= $direction * $b;
            $oo += $direction;
        }
        [$p, $q, $r] = [$ee * $oo - $eo * $eo, $no * $eo - $ne * $oo, $ne * $eo - $no * $ee];
        $d = $nn * $p + $ne * $q + $no * $r;
        if (is_nan($d) || $d <= 1e-12 * $nn * $ee * $oo || $d <= 0.0) {
            return null;
        }
        [$s, $t, $u] = [($nn * $oo - $no * $no) / $d, ($ne * $no - $nn * $eo) / $d, ($nn * $ee - $ne * $ne) / $d];

        return new Precision([[$p / $d, $q / $d, $r / $d], [$q / $d, $s, $t], [$r / $d, $t, $u]], null);
    }

    /**
     * The worst of several points for the setup's sake.
     *
     * @param  non-empty-list<Position>  $points
     * @return array{int, float} which, and half the longer axis of its 95 % ellipse, metres
     */
    public static function worst(Precision $precision, Position $place, array $points): array
    {
        [$which, $worst] = [0, 0.0];
        foreach ($points as $i => $p) {
            $major = $precision->at($place, $p)->major;
            if ($major > $worst) {
                [$which, $worst] = [$i, $major];
            }
        }

        return [$which, $worst];
    }
}
