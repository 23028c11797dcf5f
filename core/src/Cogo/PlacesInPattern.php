<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;

/** Bolt patterns: the same places about a centre, or about each of many, turned to a direction. */
final class PlacesInPattern
{
    private const MOST_POINTS = 20_000;

    /**
     * Evenly around a circle, the first in the direction given, then clockwise.
     *
     * @param  list<Position>  $centres
     * @throws NoConstruction
     */
    public static function circle(array $centres, float $radius, int $count, float $azimuth): Made
    {
        if ($radius <= 0.0) {
            throw NoConstruction::notPositive('The radius of the bolt circle');
        }
        self::countable('The number of bolts', $count);
        $offsets = [];
        for ($i = 0; $i < $count; $i++) {
            $offsets[] = [$radius * cos(2 * M_PI * $i / $count), $radius * sin(2 * M_PI * $i / $count)];
        }

        return self::offsets($centres, $offsets, $azimuth);
    }

    /**
     * Rows and columns about the centre, from the near left one along the direction first.
     *
     * @param  list<Position>  $centres
     * @param  int  $along  how many in the direction
     * @param  int  $across  how many to its right
     * @throws NoConstruction
     */
    public static function rectangle(
        array $centres,
        int $along,
        int $across,
        float $alongSpacing,
        float $acrossSpacing,
        float $azimuth,
    ): Made {
        self::countable('The number along', $along);
        self::countable('The number across', $across);
        if (($along > 1 && $alongSpacing <= 0.0) || ($across > 1 && $acrossSpacing <= 0.0)) {
            throw NoConstruction::notPositive('The spacing');
        }
        $offsets = [];
        for ($k = 0; $k < $across; $k++) {
            for ($i = 0; $i < $along; $i++) {
                $offsets[] = [($i - ($along - 1) / 2) * $alongSpacing, ($k - ($across - 1) / 2) * $acrossSpacing];
            }
        }

        return self::offsets($centres, $offsets, $azimuth);
    }

    /**
     * @param  list<Position>  $centres
     * @param  list<array{float, float}>  $offsets  in the direction, and to its right
     * @throws NoConstruction
     */
    public static function offsets(array $centres, array $offsets, float $azimuth): Made
    {
        if ($centres === [] || $offsets === []) {
            throw NoConstruction::tooFew('A pattern', 1, 0);
        }
        if (count($centres) * count($offsets) > self::MOST_POINTS) {
            throw NoConstruction::tooMany(self::MOST_POINTS);
        }
        $places = [];
        foreach ($centres as $c => $centre) {
            foreach ($offsets as $i => [$along, $right]) {
                $place = $centre->along($azimuth, $along)->along($azimuth + M_PI_2, $right, $centre->elevation);
                $places[] = new MadePlace($place, count($centres) === 1 ? (string) ($i + 1) : ($c + 1).'.'.($i + 1));
            }
        }

        return Made::one($places);
    }

    private static function countable(string $what, int $count): void
    {
        if ($count < 1 || $count > 1000) {
            throw NoConstruction::outOfRange($what, 'between 1 and 1,000');
        }
    }
}
