<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\ChiSquare;
use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;

/** A shot on a known point, held against what the setup, the shot and the point let expect. */
final readonly class CheckShot
{
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
    public static function judge(
        Station $station,
        Precision $precision,
        Sight $sight,
        Position $known,
        Accuracy $accuracy,
        float $planDeviation = 0.0,
        float $heightDeviation = 0.0,
    ): self {
        $found = $station->locate($sight);
        [$dn, $de] = [$found->northing - $known->northing, $found->easting - $known->easting];
        $point = new ShotSpread($planDeviation ** 2, 0.0, 0.0, $planDeviation ** 2, 0.0, $heightDeviation ** 2);
        $spread = ShotSpread::of($station, $precision, $sight, $accuracy)->plus($point);
        $height = $found->elevation === null || $known->elevation === null ? null : $found->elevation - $known->elevation;
        // Plan and height are one question: two of one in a hundred each would be two in a hundred.
        $off = $height === null ? [$dn, $de] : [$dn, $de, $height];
        $square = $spread->square($off);
        $holds = ChiSquare::below($square, count($off)) <= Significance::CHECK;

        return new self(
            $dn, $de, hypot($dn, $de), Ellipse::ninetyFive($spread->nn, $spread->ee, $spread->ne)->major,
            $height, $height === null ? null : Significance::NINETY_FIVE * sqrt($spread->hh), $holds,
        );
    }
}
