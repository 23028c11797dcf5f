<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

use Parlay\Core\Adjustment\ChiSquare;
use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;

/** A shot on a known point, held against what the setup, the shot and the point let expect. */
final readonly class CheckShot
{
    /** A setup that holds gives such a difference in all but one of a hundred checks. */
    private const HOLDS = 0.99;

    /**
     * @param  float  $plan  found from known, metres
     * @param  float  $expectedPlan  half the longer axis of the 95 % ellipse of such a difference
     * @param  float|null  $height  found less known; null where one of them has none
     * @param  float|null  $expectedHeight  95 %
     * @param  bool  $holds  whether the setup still holds, as far as this shot tells
     */
    private function __construct(
        public float $north,
        public float $east,
        public float $plan,
        public float $expectedPlan,
        public ?float $height,
        public ?float $expectedHeight,
        public bool $holds,
    ) {}

    /**
     * @param  float  $planDeviation  of the known point's northing and of its easting, metres
     * @param  float  $heightDeviation  of its elevation
     */
    public static function judge(Station $station, Precision $precision, Sight $sight, Position $known, Accuracy $accuracy, float $planDeviation = 0.0, float $heightDeviation = 0.0): self
    {
        $found = $station->locate($sight);
        [$dn, $de] = [$found->northing - $known->northing, $found->easting - $known->easting];
        $n = $found->northing - $station->mark->northing;
        $e = $found->easting - $station->mark->easting;
        $d = max(hypot($n, $e), 0.1);
        $target = $planDeviation ** 2 + $accuracy->centring ** 2;
        [$along, $across] = [$accuracy->distance ** 2 + ($accuracy->distancePpm * 1e-6 * $d) ** 2, ($accuracy->angle * $d) ** 2];
        [$c, $s] = [$n / $d, $e / $d];
        [$vn, $ve, $vne] = $precision->variances($station->mark, $found);
        $vn += $target + $c * $c * $along + $s * $s * $across;
        $ve += $target + $s * $s * $along + $c * $c * $across;
        $vne += $c * $s * ($along - $across);
        $square = ($dn ** 2 * $ve - 2 * $dn * $de * $vne + $de ** 2 * $vn) / ($vn * $ve - $vne ** 2);
        $height = $found->elevation === null || $known->elevation === null ? null : $found->elevation - $known->elevation;
        $spread = $height === null ? null : sqrt(($precision->height ?? 0.0) + $accuracy->ofHeight($d) ** 2 + $heightDeviation ** 2);
        $holds = ChiSquare::below($square, 2) <= self::HOLDS && ($height === null || $spread === null || ChiSquare::below(($height / $spread) ** 2, 1) <= self::HOLDS);

        return new self(
            $dn, $de, hypot($dn, $de), Ellipse::ninetyFive($vn, $ve, $vne)->major, $height, $spread === null ? null : 1.96 * $spread, $holds,
        );
    }
}
