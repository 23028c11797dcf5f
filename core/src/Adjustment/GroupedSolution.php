<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** Adjusted unknowns with all that can be said of how far they and the observations are to be trusted. */
final readonly class GroupedSolution
{
    public int $redundancy;

    /**
     * @param  list<float>  $unknowns
     * @param  list<list<float>>  $cofactors  covariance when the given deviations hold
     * @param  list<ObservationGroup>  $blocks  at the solution: their misclosures are the residuals
     * @param  float  $squares  weighted square sum of the residuals
     */
    public function __construct(
        public array $unknowns,
        public array $cofactors,
        public array $blocks,
        public float $squares,
    ) {
        $this->redundancy = array_sum(array_map(static fn (ObservationGroup $b) => count($b->rows), $blocks)) - count($unknowns);
    }

    /** Square root of the variance factor; about 1 where residuals are as the deviations say; null with none to spare. */
    public function unitWeightDeviation(): ?float
    {
        return $this->redundancy > 0 ? sqrt($this->squares / $this->redundancy) : null;
    }

    /** The global test: whether residuals are as the deviations let expect; null with none to spare. */
    public function passes(): ?bool
    {
        return $this->redundancy > 0 ? ChiSquare::below($this->squares, $this->redundancy) <= Significance::CLEAN : null;
    }

    /** What the others say of a block's observations, and what would be without them. */
    public function judge(int $block): JudgedGroup
    {
        $b = $this->blocks[$block];
        $fitted = $this->fitted($b);

        return new JudgedGroup($this->reliability($b, $fitted), $this->without($b, $fitted));
    }

    /**
     * @param  list<list<float>>  $fitted
     * @return list<Reliability>
     */
    private function reliability(ObservationGroup $b, array $fitted): array
    {
        $found = [];
        foreach ($b->weights() as $i => $w) {
            $taken = $weighted = $spread = 0.0;
            foreach ($w as $k => $x) {
                $taken += $fitted[$i][$k] * $x;
                $weighted += $x * $b->misclosures[$k];
                foreach ($w as $m => $y) {
                    $spread += $x * ($b->covariance[$k][$m] - $fitted[$k][$m]) * $y;
                }
            }
            $found[] = Reliability::ofWeighted(1 - $taken, $weighted, $spread, $w[$i]);
        }

        return $found;
    }

    /**
     * By how much the unknowns would change, to first order, which is exact for a linear model.
     *
     * @param  list<list<float>>  $fitted
     * @return list<float>|null null where the rest does not determine them
     */
    private function without(ObservationGroup $b, array $fitted): ?array
    {
        $left = array_map(static fn (array $row, array $own): array => array_map(static fn (float $c, float $f): float => $c - $f, $row, $own), $b->covariance, $fitted);
        try {
            $inverse = (new ObservationGroup($b->rows, $b->misclosures, $left))->weights();
        } catch (NoSolution|\DivisionByZeroError) {
            return null;
        }
        $change = array_fill(0, count($this->unknowns), 0.0);
        foreach ($inverse as $i => $row) {
            // What is left of an observation's variance beside the others is nothing where only it determines an unknown.
            if (
                is_nan($left[$i][$i]) || $left[$i][$i] <= 1e-7 * $b->covariance[$i][$i]
                || is_nan($row[$i]) || $row[$i] <= 0 || $row[$i] * $b->covariance[$i][$i] > 1e7
            ) {
                return null;
            }
            $pull = 0.0;
            foreach ($row as $k => $x) {
                $pull += $x * $b->misclosures[$k];
            }
            foreach ($b->rows[$i] as $j => $a) {
                if ($a !== 0.0) {
                    foreach ($change as $m => $_) {
                        $change[$m] -= $this->cofactors[$m][$j] * $a * $pull;
                    }
                }
            }
        }

        return $change;
    }

    /**
     * What one more unknown would come out as, by one step from here.
     *
     * @param  array<int, list<float>>  $columns  its coefficients in the rows of some blocks, by block
     * @return array{float, float}|null it and its standard deviation; null where the observations don't determine it
     */
    public function another(array $columns): ?array
    {
        $size = count($this->unknowns);
        [$own, $right, $with] = [0.0, 0.0, array_fill(0, $size, 0.0)];
        foreach ($columns as $block => $column) {
            $b = $this->blocks[$block];
            foreach ($b->weights() as $i => $weights) {
                if ($column[$i] === 0.0) {
                    continue;
                }
                foreach ($weights as $k => $w) {
                    $cw = $column[$i] * $w;
                    $own += $cw * $column[$k];
                    $right += $cw * $b->misclosures[$k];
                    foreach ($b->rows[$k] as $m => $a) {
                        $with[$m] += $cw * $a;
                    }
                }
            }
        }
        $left = $own;
        foreach ($this->cofactors as $i => $row) {
            foreach ($row as $k => $q) {
                $left -= $with[$i] * $q * $with[$k];
            }
        }

        return $left > 1e-9 * $own && $own > 0.0 ? [$right / $left, 1 / sqrt($left)] : null;
    }

    /** @return list<list<float>> covariance of what the unknowns say of a block's observations */
    private function fitted(ObservationGroup $b): array
    {
        $fitted = [];
        foreach ($b->rows as $row) {
            $spread = $of = [];
            foreach ($this->cofactors as $q) {
                $sum = 0.0;
                foreach ($row as $m => $a) {
                    $sum += $a * $q[$m];
                }
                $spread[] = $sum;
            }
            foreach ($b->rows as $other) {
                $sum = 0.0;
                foreach ($other as $j => $a) {
                    $sum += $a * $spread[$j];
                }
                $of[] = $sum;
            }
            $fitted[] = $of;
        }

        return $fitted;
    }
}
