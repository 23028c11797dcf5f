<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;

/** What a shot is uncertain by for the sake of its own distance and angles: on a steep sight plan and height each have their part of both. */
final class ShotVariance
{
    /** No shot is nearer, metres. */
    private const NEAREST = 0.1;

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

    /**
     * What one of these shots deviates by in plan for its own sake, in the direction in which it is the weaker: what all of a setup share is not in it.
     *
     * @param  non-empty-list<array{Sight, Accuracy, float}>  $shots  each with what else it is uncertain by, such as a tape; square metres
     * @return float metres
     */
    public static function ofOne(array $shots): float
    {
        $squares = array_map(static function (array $shot): float {
            [$along, $across] = self::of($shot[0], $shot[1], max($shot[0]->distance, self::NEAREST));

            return max($along, $across) + $shot[2];
        }, $shots);

        return sqrt(array_sum($squares) / count($squares));
    }
}
