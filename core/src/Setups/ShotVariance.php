<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;

/** What a shot is uncertain by for the sake of its own distance and angles: on a steep sight plan and height each have their part of both. */
final class ShotVariance
{
    /**
     * @param  float  $flat  horizontal distance, metres
     * @return array{float, float, float, float} variance along the horizontal distance, across it, and of the rise, and the covariance of the first and the
     *     last; square metres
     */
    public static function of(Sight $sight, Accuracy $accuracy, float $flat): array
    {
        $slope = hypot($flat, $sight->rise);
        [$sin, $cos] = [$flat / $slope, $sight->rise / $slope];
        $length = $accuracy->distance ** 2 + ($accuracy->distancePpm * 1e-6 * $slope) ** 2;
        $turn = ($slope * $accuracy->zenith()) ** 2;

        return [
            $sin ** 2 * $length + $cos ** 2 * $turn, ($accuracy->angle * $flat) ** 2, $cos ** 2 * $length + $sin ** 2 * $turn,
            $sin * $cos * ($length - $turn),
        ];
    }
}
