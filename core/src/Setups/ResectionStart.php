<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Geometry\Position;

/** The shift and turn, without scale, that lays what was measured on the control; closed form of plane rigid fitting. */
final class ResectionStart
{
    /**
     * @param  non-empty-list<ControlSight>  $sights
     *  @return list<float> northing and easting from the origin, orientation
     */
    public static function find(array $sights, Position $origin): array
    {
        $count = count($sights);
        $x = $y = $n = $e = 0.0;
        foreach ($sights as $s) {
            $x += $s->sight->distance * cos($s->sight->circle) / $count;
            $y += $s->sight->distance * sin($s->sight->circle) / $count;
            $n += ($s->control->northing - $origin->northing) / $count;
            $e += ($s->control->easting - $origin->easting) / $count;
        }
        $cosine = $sine = 0.0;
        foreach ($sights as $s) {
            $dx = $s->sight->distance * cos($s->sight->circle) - $x;
            $dy = $s->sight->distance * sin($s->sight->circle) - $y;
            $dn = $s->control->northing - $origin->northing - $n;
            $de = $s->control->easting - $origin->easting - $e;
            $cosine += $dx * $dn + $dy * $de;
            $sine += $dx * $de - $dy * $dn;
        }
        $turn = atan2($sine, $cosine);

        return [
            $n - ($x * cos($turn) - $y * sin($turn)),
            $e - ($x * sin($turn) + $y * cos($turn)),
            $turn,
        ];
    }
}
