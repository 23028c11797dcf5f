<?php

declare(strict_types=1);

namespace Parlay\Core\Control;

use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;

/** Grid lines from spacings that were typed: right-angled, skewed, or radial. */
final class TypedGrid
{
    /** Lines go on so far beyond the outermost of the others, metres. */
    private const BEYOND = 2.0;

    /**
     * The first family runs in the direction given and is spaced to its right; the second crosses it and is spaced along it.
     *
     * @param  list<float>  $spacings  between the lines of the first family
     * @param  list<float>  $crossSpacings
     * @param  float  $skew  angle from the first family's direction to the second's, clockwise; a right angle usually
     * @return list<GridLine>
     * @throws NoConstruction
     */
    public static function crossing(
        Position $origin,
        float $azimuth,
        string $first,
        array $spacings,
        string $crossFirst,
        array $crossSpacings,
        float $skew = M_PI_2,
    ): array {
        if (abs(sin($skew)) < 1e-3) {
            throw NoConstruction::parallel();
        }
        // Spacings are measured at right angles to their lines, so a skewed family lies farther apart along the other.
        $along = self::sums($crossSpacings, 1 / sin($skew));
        $across = self::sums($spacings, 1 / sin($skew));
        $at = static fn (float $a, float $b): Position => $origin->along($azimuth, $a)->along($azimuth + $skew, $b);
        $lines = [];
        foreach (GridNames::from($first, count($across)) as $i => $name) {
            $lines[] = new GridLine(
                $name, GridNames::family($name), $at(min($along) - self::BEYOND, $across[$i]),
                $at(max($along) + self::BEYOND, $across[$i]),
            );
        }
        foreach (GridNames::from($crossFirst, count($along)) as $i => $name) {
            $lines[] = new GridLine(
                $name, GridNames::family($name), $at($along[$i], min($across) - self::BEYOND),
                $at($along[$i], max($across) + self::BEYOND),
            );
        }

        return self::distinct($lines);
    }

    /**
     * Lines from a centre, and rings about it.
     *
     * @param  list<float>  $angles  between one line and the next, clockwise
     * @param  list<float>  $radii  of the first ring, and from each ring to the next
     * @return list<GridLine>
     * @throws NoConstruction
     */
    public static function radial(Position $centre, float $azimuth, string $first, array $angles, string $ringFirst, array $radii): array
    {
        $rings = [];
        $radius = 0.0;
        foreach ($radii as $step) {
            $rings[] = $radius += $step > 0.0 ? $step : throw NoConstruction::notPositive('Each radius');
        }
        if ($rings === []) {
            throw NoConstruction::contradiction('A radial grid needs the radius of at least one ring.');
        }
        $lines = [];
        $directions = self::sums($angles, 1.0);
        foreach (GridNames::from($first, count($directions)) as $i => $name) {
            $lines[] = new GridLine(
                $name, GridNames::family($name), $centre, $centre->along($azimuth + $directions[$i], max($rings) + self::BEYOND),
            );
        }
        foreach (GridNames::from($ringFirst, count($rings)) as $i => $name) {
            $lines[] = new GridLine($name, 'rings', $centre, $centre->along($azimuth, $rings[$i]), ring: true);
        }

        return self::distinct($lines);
    }

    /**
     * @param  list<float>  $steps
     * @return non-empty-list<float> from 0
     */
    private static function sums(array $steps, float $by): array
    {
        $sums = [0.0];
        foreach ($steps as $step) {
            if ($step <= 0.0) {
                throw NoConstruction::notPositive('Each spacing');
            }
            $sums[] = $sums[count($sums) - 1] + $step * abs($by);
        }

        return count($sums) > 200 ? throw NoConstruction::tooMany(200) : $sums;
    }

    /**
     * @param  list<GridLine>  $lines
     * @return list<GridLine>
     */
    private static function distinct(array $lines): array
    {
        $names = array_map(static fn (GridLine $l) => $l->name, $lines);
        if (count(array_unique($names)) < count($names)) {
            throw NoConstruction::contradiction(
                'Two lines would have one name. Let one family begin with a letter and the other with a number.',
            );
        }

        return $lines;
    }
}
