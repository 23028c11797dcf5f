<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/** Lines of equal height, piece by piece through the triangles. */
final class Contours
{
    /** More would be a black sheet. */
    public const MOST_LEVELS = 2000;

    /**
     * @param  float  $interval  metres
     * @return list<array{float, list<float>}> each level in metres, with northing and easting of both ends of each of its pieces
     *
     * @throws NoSurface where the interval gives more lines than anybody could read
     */
    public static function of(Surface $s, float $interval): array
    {
        if (is_nan($interval) || $interval <= 0.0 || $s->elevations === [] || (max($s->elevations) - min($s->elevations)) / $interval > self::MOST_LEVELS) {
            throw NoSurface::tooManyContours(self::MOST_LEVELS);
        }
        $n = $s->northings;
        $e = $s->eastings;
        $z = $s->elevations;
        $lines = [];
        for ($i = 0, $end = count($s->corners); $i < $end; $i += 3) {
            $three = [$s->corners[$i], $s->corners[$i + 1], $s->corners[$i + 2]];
            [$a, $b, $c] = $three;
            $low = min($z[$a], $z[$b], $z[$c]);
            $high = max($z[$a], $z[$b], $z[$c]);
            for ($k = (int) ceil($low / $interval); $k * $interval <= $high; $k++) {
                $level = $k * $interval;
                $ends = [];
                foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$p, $q]) {
                    // A corner at the level itself counts as above it: so each line is met once, and none twice.
                    if ($level <= $z[$q] !== $z[$p] >= $level) {
                        $share = ($level - $z[$p]) / ($z[$q] - $z[$p]);
                        $ends[] = $n[$p] + $share * ($n[$q] - $n[$p]);
                        $ends[] = $e[$p] + $share * ($e[$q] - $e[$p]);
                    }
                }
                if (count($ends) === 4) {
                    $lines[$k] ??= [];
                    array_push($lines[$k], ...$ends);
                }
            }
        }
        ksort($lines);

        return array_map(static fn (int $k, array $pieces): array => [$k * $interval, $pieces], array_keys($lines), array_values($lines));
    }
}
