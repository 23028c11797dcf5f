<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Adjustment\Cholesky;
use Parlay\Core\Adjustment\NoSolution;
use Parlay\Core\Adjustment\ObservationGroup;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\ObservedKind;
use Parlay\Core\Setups\StationModel;

/**
 * What the figure of the others foretells of a sight that is not in it, with what is uncertain about both.
 *
 * Weighted squares of such a foretold sight, added to those of the figure, are those of the whole with that hypothesis in it (to first
 * order of the small differences that are left once it is right), so that causes can be tried without solving the station anew for
 * each.
 */
final readonly class Foretold
{
    private ControlSight $sight;

    /** Where the others have the mark; null where the sight alone doesn't place it. */
    public ?Position $found;

    /** @param  TriedStation  $rest  solved without the sight */
    public function __construct(
        public TriedStation $rest,
        ControlSight $sight,
    ) {
        // What the others don't know can't be foretold.
        $sight = $rest->model->orientation === null ? $sight->with(direction: false) : $sight;
        $this->sight = $rest->model->height === null ? $sight->with(height: false) : $sight;
        $this->found = $sight->sight->hasDistance() && $sight->givesDirection() && $sight->givesDistance()
            ? $rest->locate($sight->sight)
            : null;
    }

    /** @return list<ObservedKind> */
    public function kinds(): array
    {
        return StationModel::observed($this->sight);
    }

    /** The sight as it is compared, with another mark or reading in its place. */
    public function sight(): ControlSight
    {
        return $this->sight;
    }

    /**
     * What is left of a hypothesis.
     *
     * @param  ControlSight|null  $as  the sight with what was replaced; as it is where null
     * @param  callable(list<ObservedKind>, ObservationGroup): list<list<float>>|null  $free  what may be chosen freely, a column each:
     *     how the observations grow with it
     * @return array{float, list<float>, list<float>} weighted squares left, the values of what was free, and their standard deviations
     */
    public function left(?ControlSight $as = null, ?callable $free = null): array
    {
        $sight = $as ?? $this->sight;
        $block = $this->rest->model->block($sight, $this->rest->solution->unknowns);
        if ($block->rows === []) {
            return [0.0, [], []];
        }
        $weights = (new ObservationGroup($block->rows, $block->misclosures, $this->uncertain($block)))->weights();
        $columns = $free === null ? [] : $free(StationModel::observed($sight), $block);
        try {
            return self::fit($block->misclosures, $weights, $columns);
        } catch (NoSolution) {
            return [INF, array_fill(0, count($columns), 0.0), array_fill(0, count($columns), INF)];
        }
    }

    /** @return list<list<float>> covariance of the differences between the sight and what is foretold of it */
    private function uncertain(ObservationGroup $block): array
    {
        $covariance = [];
        foreach ($block->rows as $i => $row) {
            $of = [];
            foreach ($block->rows as $k => $other) {
                $sum = $block->covariance[$i][$k];
                foreach ($this->rest->solution->cofactors as $m => $q) {
                    foreach ($q as $j => $x) {
                        $sum += $row[$m] * $x * $other[$j];
                    }
                }
                $of[] = $sum;
            }
            $covariance[] = $of;
        }

        return $covariance;
    }

    /**
     * @param  list<float>  $differences
     * @param  list<list<float>>  $weights
     * @param  list<list<float>>  $columns
     * @return array{float, list<float>, list<float>}
     *
     * @throws NoSolution where what is free can't be told
     */
    private static function fit(array $differences, array $weights, array $columns): array
    {
        $product = static function (array $a, array $b) use ($weights): float {
            $sum = 0.0;
            foreach ($weights as $i => $row) {
                foreach ($row as $k => $w) {
                    $sum += $a[$i] * $w * $b[$k];
                }
            }

            return $sum;
        };
        $squares = $product($differences, $differences);
        if ($columns === []) {
            return [$squares, [], []];
        }
        $right = array_map(static fn (array $c): float => $product($c, $differences), $columns);
        $normal = array_map(static fn (array $a): array => array_map(static fn (array $b): float => $product($a, $b), $columns), $columns);
        $values = $deviations = [];
        foreach (Cholesky::invert($normal) as $i => $row) {
            $values[] = $value = array_sum(array_map(static fn (float $q, float $r): float => $q * $r, $row, $right));
            $deviations[] = sqrt($row[$i]);
            $squares -= $value * $right[$i];
        }

        return [max(0.0, $squares), $values, $deviations];
    }
}
