<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Volumes;

use Parlay\Core\Civil\Surfaces\Heights;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;

/** The same volume by columns over a grid: another way to the figure, to hold the exact one against. */
final class GridCheck
{
    private const MOST_COLUMNS = 250_000;

    /** @return array{float, float, float} cut and fill in metres³, and the width of a column, metres */
    public static function between(Surface $first, Surface|float $second): array
    {
        [$west, $south, $east, $north] = $first->extent() ?? [0.0, 0.0, 0.0, 0.0];
        $width = max(1e-3, sqrt(($north - $south) * ($east - $west) / self::MOST_COLUMNS));
        $n = $e = [];
        for ($i = 0; $south + ($i + 0.5) * $width < $north; $i++) {
            for ($j = 0; $west + ($j + 0.5) * $width < $east; $j++) {
                $n[] = $south + ($i + 0.5) * $width;
                $e[] = $west + ($j + 0.5) * $width;
            }
        }
        $a = (new Heights(new SurfaceIndex($first)))->of($n, $e);
        $b = $second instanceof Surface ? (new Heights(new SurfaceIndex($second)))->of($n, $e) : array_fill(0, count($n), $second);
        $cut = $fill = 0.0;
        foreach ($a as $i => $height) {
            $d = $height - $b[$i];
            if ($d > 0.0) {
                $cut += $d;
            } elseif ($d < 0.0) {
                $fill -= $d;
            }
        }

        return [$cut * $width ** 2, $fill * $width ** 2, $width];
    }
}
