<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Volumes;

/**
 * Volumes by average end areas: between two sections half the sum of their areas, times the way between them.
 *
 * Source: Ghilani & Wolf, Elementary Surveying, volumes: V = L (A1 + A2) / 2 (recalled). Exact where areas change linearly; where one of
 * them is nothing it gives too much.
 */
final class EndAreas
{
    /**
     * @param  list<array{float, float, float}>  $sections  station in metres, and areas of cut and fill there, metres²
     * @return array{float, float} cut and fill, metres³
     */
    public static function volumes(array $sections): array
    {
        $cut = $fill = 0.0;
        for ($i = 1; $i < count($sections); $i++) {
            $way = $sections[$i][0] - $sections[$i - 1][0];
            $cut += $way * ($sections[$i - 1][1] + $sections[$i][1]) / 2;
            $fill += $way * ($sections[$i - 1][2] + $sections[$i][2]) / 2;
        }

        return [$cut, $fill];
    }

    /**
     * Areas between two lines of a section, where both are.
     *
     * @param  list<list<array{float, float}>>  $first  runs of metres along the section and height
     * @param  list<list<array{float, float}>>  $second
     * @return array{float, float} where the first is above, and where it is below, metres²
     */
    public static function areas(array $first, array $second): array
    {
        $cut = $fill = 0.0;
        foreach ($first as $a) {
            foreach ($second as $b) {
                foreach (SectionDifference::of($a, $b) as [$from, $d, $to, $e]) {
                    $way = $to - $from;
                    if ($d >= 0.0 && $e >= 0.0) {
                        $cut += $way * ($d + $e) / 2;
                    } elseif ($d <= 0.0 && $e <= 0.0) {
                        $fill -= $way * ($d + $e) / 2;
                    } else {
                        $part = $way * $d / ($d - $e);
                        [$one, $other] = [$part * $d / 2, ($way - $part) * $e / 2];
                        $cut += max($one, $other);
                        $fill -= min($one, $other);
                    }
                }
            }
        }

        return [$cut, $fill];
    }
}
