<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** Observations that are correlated with each other and with no others: those of one sight, which share how the target was held. */
final class ObservationGroup
{
    /** @var list<list<float>>|null worked out once */
    private ?array $weights = null;

    /**
     * @param  list<list<float>>  $rows  coefficients of the unknowns, one row for each observation
     * @param  list<float>  $misclosures  observed minus computed
     * @param  list<list<float>>  $covariance  of the observations
     */
    public function __construct(
        public readonly array $rows,
        public readonly array $misclosures,
        public readonly array $covariance,
    ) {}

    /**
     * @return list<list<float>> the weights
     *
     * @throws NoSolution where the covariance is none
     */
    public function weights(): array
    {
        return $this->weights ??= $this->inverse();
    }

    /** Determinant of the covariance. */
    public function spread(): float
    {
        $c = $this->covariance;
        $product = 1.0;
        // Elimination without pivoting: covariances are positive definite.
        foreach ($c as $k => $_) {
            $product *= $c[$k][$k];
            for ($i = $k + 1, $n = count($c); $i < $n; $i++) {
                $part = $c[$i][$k] / $c[$k][$k];
                for ($j = $k; $j < $n; $j++) {
                    $c[$i][$j] -= $part * $c[$k][$j];
                }
            }
        }

        return $product;
    }

    /** @return list<list<float>> */
    private function inverse(): array
    {
        $c = $this->covariance;
        $k = count($c);
        // Most blocks are this small, and setting up loops for them takes longer than the sums.
        if ($k === 1) {
            return [[1 / $c[0][0]]];
        }
        if ($k === 2) {
            $d = $c[0][0] * $c[1][1] - $c[0][1] ** 2;

            return [[$c[1][1] / $d, -$c[0][1] / $d], [-$c[0][1] / $d, $c[0][0] / $d]];
        }
        if ($k === 3) {
            [[$a, $b, $e], [, $f, $g], [, , $h]] = $c;
            [$p, $q, $r] = [$f * $h - $g * $g, $e * $g - $b * $h, $b * $g - $e * $f];
            $d = $a * $p + $b * $q + $e * $r;
            [$s, $t, $u] = [($a * $h - $e * $e) / $d, ($b * $e - $a * $g) / $d, ($a * $f - $b * $b) / $d];

            return [[$p / $d, $q / $d, $r / $d], [$q / $d, $s, $t], [$r / $d, $t, $u]];
        }

        return Cholesky::invert($c);
    }

    /**
     * What is left of the misclosures once the unknowns have moved a little.
     *
     * @param  list<float>  $step
     */
    public function after(array $step): self
    {
        $misclosures = [];
        foreach ($this->rows as $i => $row) {
            $left = $this->misclosures[$i];
            foreach ($row as $m => $a) {
                $left -= $a * $step[$m];
            }
            $misclosures[] = $left;
        }
        $moved = new self($this->rows, $misclosures, $this->covariance);
        $moved->weights = $this->weights;

        return $moved;
    }
}
