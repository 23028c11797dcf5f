<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** Inverse of a small symmetric positive definite matrix. */
final class Cholesky
{
    /** Pivots this much smaller than the diagonal they came from mean that the unknown is not determined. */
    private const SINGULAR = 1e-12;

    /**
     * @param  list<list<float>>  $matrix
     *  @return list<list<float>>
     *  @throws NoSolution where it is singular within rounding
     */
    public static function invert(array $matrix): array
    {
        $size = count($matrix);
        $lower = self::lowerTriangle($matrix);
        $inverse = [];
        for ($column = 0; $column < $size; $column++) {
            $y = [];
            for ($i = 0; $i < $size; $i++) {
                $sum = $i === $column ? 1.0 : 0.0;
                for ($k = 0; $k < $i; $k++) {
                    $sum -= $lower[$i][$k] * $y[$k];
                }
                $y[] = $sum / $lower[$i][$i];
            }
            // Every entry is written anew, from the last to the first.
            $x = $y;
            for ($i = $size - 1; $i >= 0; $i--) {
                $sum = $y[$i];
                for ($k = $i + 1; $k < $size; $k++) {
                    $sum -= $lower[$k][$i] * $x[$k];
                }
                $x[$i] = $sum / $lower[$i][$i];
            }
            /** @var list<float> $x */
            $inverse[] = $x;
        }

        return $inverse;
    }

    /**
     * @param  list<list<float>>  $matrix
     *  @return list<list<float>>
     */
    private static function lowerTriangle(array $matrix): array
    {
        $lower = [];
        foreach ($matrix as $i => $row) {
            /** @var list<float> $below */
            $below = [];
            for ($j = 0; $j <= $i; $j++) {
                $sum = $row[$j];
                $other = $j === $i ? $below : $lower[$j];
                for ($k = 0; $k < $j; $k++) {
                    $sum -= $below[$k] * $other[$k];
                }
                if ($i === $j) {
                    if (is_nan($sum) || $sum <= self::SINGULAR * $row[$i]) {
                        throw NoSolution::singular();
                    }
                    $below[] = sqrt($sum);
                } else {
                    $below[] = $sum / $lower[$j][$j];
                }
            }
            $lower[] = $below;
        }

        return $lower;
    }
}
