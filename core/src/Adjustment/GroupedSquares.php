<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/**
 * Weighted least squares over blocks of correlated observations: Gauss-Newton steps, damped after Levenberg and Marquardt where a step
 * makes the square sum larger (Ghilani, *Adjustment Computations*, ch. 11 to 15, recalled; checked against scipy).
 *
 * Unknowns should be given about a near origin (not as coordinates in millions): squares are formed.
 */
final class GroupedSquares
{
    private const ROUNDS = 200;

    /** Metres and radians. After a step as small as this the next is worked out on the same equations: they hardly change any more. */
    private const CLOSE = 5e-3;

    /** A last step smaller than this needs no new equations. */
    private const SETTLED = 1e-4;

    /** A step that must be damped as much as this leads nowhere. */
    private const STUCK = 1e8;

    /** What is left to be gained of the square sum, in parts of it, where a search may end. */
    private const AS_GOOD = 1e-3;

    /** Steps smaller than this are taken even where the square sum grows: it need not fall to the last digit. */
    private const NEAR = 1e-4;

    /**
     * @param  list<float>  $start  approximate unknowns
     *
     * @throws NoSolution
     */
    public static function solve(GroupedModel $model, array $start): GroupedSolution
    {
        $unknowns = $start;
        $damping = 0.0;
        $blocks = $model->blocksAt($unknowns);
        [$normal, $right, $squares] = self::normals($blocks, count($start));
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $inverse = Cholesky::invert($damping === 0.0 ? $normal : self::damped($normal, $damping));
            [$next, $largest] = self::step($unknowns, $inverse, $right);
            if (! is_finite($largest)) {
                throw NoSolution::diverged($round + 1);
            }
            $tried = $model->blocksAt($next);
            [$triedNormal, $triedRight, $triedSquares] = self::normals($tried, count($start));
            // Held against the covariances from which the step was reckoned: they follow the unknowns, and with each other's no step
            // would lead downhill for good.
            if ($largest > self::NEAR && self::squares($blocks, $tried) > $squares * (1 + 1e-9) + 1e-9) {
                if ($damping > self::STUCK) {
                    break;
                }
                $damping = max(1e-3, 10 * $damping);

                continue;
            }
            [$unknowns, $blocks, $normal, $right, $squares] = [$next, $tried, $triedNormal, $triedRight, $triedSquares];
            if ($largest < self::CLOSE) {
                $inverse = Cholesky::invert($normal);
                [$settled, $last] = self::step(array_fill(0, count($start), 0.0), $inverse, $right);
                if ($last < self::SETTLED) {
                    return self::settled($unknowns, $inverse, $blocks, $settled);
                }
            }
            $damping = $damping < 1e-6 ? 0.0 : $damping / 10;
        }

        // Nothing near by fits better, to as much as matters: an observation far wrong, which its residual will show better than a refusal.
        $inverse = Cholesky::invert($normal);
        if (self::promised($inverse, $right) <= self::AS_GOOD * (1 + $squares)) {
            return new GroupedSolution($unknowns, $inverse, $blocks, $squares);
        }

        // Still on its way, or where the observations decide nothing: that is no solution.
        throw NoSolution::diverged(self::ROUNDS);
    }

    /**
     * @param  list<ObservationGroup>  $weighing  whose covariances weigh
     * @param  list<ObservationGroup>  $weighed  whose misclosures are weighed
     */
    private static function squares(array $weighing, array $weighed): float
    {
        $sum = 0.0;
        foreach ($weighing as $b => $block) {
            $m = $weighed[$b]->misclosures;
            foreach ($block->weights() as $i => $weights) {
                foreach ($weights as $k => $w) {
                    $sum += $m[$i] * $w * $m[$k];
                }
            }
        }

        return $sum;
    }

    /**
     * By how much the square sum would fall if the model were linear from here.
     *
     * @param  list<list<float>>  $inverse
     * @param  list<float>  $right
     */
    private static function promised(array $inverse, array $right): float
    {
        $sum = 0.0;
        foreach ($inverse as $i => $row) {
            foreach ($row as $k => $q) {
                $sum += $right[$i] * $q * $right[$k];
            }
        }

        return $sum;
    }

    /**
     * Takes the last step and what it leaves of the residuals.
     *
     * @param  list<float>  $unknowns
     * @param  list<list<float>>  $inverse
     * @param  list<ObservationGroup>  $blocks
     * @param  list<float>  $step
     */
    private static function settled(array $unknowns, array $inverse, array $blocks, array $step): GroupedSolution
    {
        $unknowns = array_map(static fn (float $u, float $s): float => $u + $s, $unknowns, $step);
        $squares = 0.0;
        $after = [];
        foreach ($blocks as $block) {
            $after[] = $moved = $block->after($step);
            foreach ($moved->weights() as $i => $weights) {
                foreach ($weights as $k => $w) {
                    $squares += $moved->misclosures[$i] * $w * $moved->misclosures[$k];
                }
            }
        }

        return new GroupedSolution($unknowns, $inverse, $after, $squares);
    }

    /**
     * @param  list<ObservationGroup>  $blocks
     * @return array{list<list<float>>, list<float>, float} normal matrix, right side, weighted square sum
     */
    public static function normals(array $blocks, int $size): array
    {
        $normal = array_fill(0, $size, array_fill(0, $size, 0.0));
        $right = array_fill(0, $size, 0.0);
        $squares = 0.0;
        foreach ($blocks as $block) {
            [$rows, $misclosures] = [$block->rows, $block->misclosures];
            foreach ($block->weights() as $i => $weights) {
                $misclosure = 0.0;
                foreach ($weights as $k => $w) {
                    $misclosure += $w * $misclosures[$k];
                }
                $squares += $misclosures[$i] * $misclosure;
                foreach ($rows[$i] as $m => $a) {
                    if ($a === 0.0) {
                        continue;
                    }
                    $right[$m] += $a * $misclosure;
                    // The matrix is symmetric: its upper half will do.
                    foreach ($weights as $k => $w) {
                        $aw = $a * $w;
                        $row = $rows[$k];
                        for ($j = $m; $j < $size; $j++) {
                            $normal[$m][$j] += $aw * $row[$j];
                        }
                    }
                }
            }
        }
        for ($m = 1; $m < $size; $m++) {
            for ($j = 0; $j < $m; $j++) {
                $normal[$m][$j] = $normal[$j][$m];
            }
        }

        /** @var list<list<float>> $normal written in place */
        /** @var list<float> $right */
        return [$normal, $right, $squares];
    }

    /**
     * @param  list<float>  $unknowns
     * @param  list<list<float>>  $inverse
     * @param  list<float>  $right
     * @return array{list<float>, float} the new unknowns and the largest step
     */
    private static function step(array $unknowns, array $inverse, array $right): array
    {
        $largest = 0.0;
        $moved = [];
        foreach ($inverse as $i => $row) {
            $step = 0.0;
            foreach ($row as $k => $q) {
                $step += $q * $right[$k];
            }
            $moved[] = $unknowns[$i] + $step;
            $largest = max($largest, abs($step));
        }

        return [$moved, $largest];
    }

    /**
     * @param  list<list<float>>  $normal
     * @return list<list<float>>
     */
    private static function damped(array $normal, float $damping): array
    {
        foreach (array_keys($normal) as $i) {
            $normal[$i][$i] *= 1 + $damping;
        }

        return $normal;
    }
}
