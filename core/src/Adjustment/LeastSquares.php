<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/**
 * Weighted least squares by Gauss-Newton steps on the normal equations, solved by Cholesky.
 *
 * Unknowns should be given about a near origin (not as coordinates in millions): squares are formed.
 * Method: any adjustment text, for example Ghilani, *Adjustment Computations*, ch. 11 and 15; checked against scipy.
 */
final class LeastSquares
{
    private const ROUNDS = 30;

    private const SETTLED = 1e-9;

    /**
     * @param  list<float>  $start approximate unknowns
     *  @throws NoSolution
     */
    public static function solve(Model $model, array $start): Adjusted
    {
        $unknowns = $start;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $equations = $model->equationsAt($unknowns);
            [$normal, $right] = self::normalEquations($equations, count($unknowns));
            $inverse = Cholesky::invert($normal);
            $steps = array_map(static fn (array $row): float => self::dot($row, $right), $inverse);
            $unknowns = array_map(static fn (float $u, float $step): float => $u + $step, $unknowns, $steps);
            $largest = max([0.0, ...array_map(abs(...), $steps)]);
            if (! is_finite($largest)) {
                throw NoSolution::diverged($round + 1);
            }
            if ($largest < self::SETTLED) {
                return self::finish($model, $unknowns, $inverse);
            }
        }
        throw NoSolution::diverged(self::ROUNDS);
    }

    /**
     * @param  list<float>  $unknowns
     *  @param  list<list<float>>  $inverse
     */
    private static function finish(Model $model, array $unknowns, array $inverse): Adjusted
    {
        $residuals = [];
        $sum = 0.0;
        foreach ($model->equationsAt($unknowns) as $equation) {
            $residuals[] = $equation->misclosure;
            $sum += ($equation->misclosure / $equation->deviation) ** 2;
        }
        $redundancy = count($residuals) - count($unknowns);

        return new Adjusted($unknowns, $inverse, $residuals, $redundancy, $redundancy > 0 ? $sum / $redundancy : 1.0);
    }

    /**
     * @param  list<Equation>  $equations
     *  @return array{list<list<float>>, list<float>}
     */
    private static function normalEquations(array $equations, int $size): array
    {
        $normal = array_fill(0, $size, array_fill(0, $size, 0.0));
        $right = array_fill(0, $size, 0.0);
        foreach ($equations as $equation) {
            $weight = 1 / $equation->deviation ** 2;
            foreach ($equation->coefficients as $i => $a) {
                $right[$i] += $a * $weight * $equation->misclosure;
                foreach ($equation->coefficients as $j => $b) {
                    $normal[$i][$j] += $a * $weight * $b;
                }
            }
        }

        /** @var list<list<float>> $normal written in place */
        /** @var list<float> $right */
        return [$normal, $right];
    }

    /**
     * @param  list<float>  $a
     *  @param  list<float>  $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += $value * $b[$i];
        }

        return $sum;
    }
}
