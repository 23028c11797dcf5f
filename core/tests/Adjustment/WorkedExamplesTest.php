<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Adjustment;

use Parlay\Core\Adjustment\Equation;
use Parlay\Core\Adjustment\GroupedModel;
use Parlay\Core\Adjustment\GroupedSquares;
use Parlay\Core\Adjustment\LeastSquares;
use Parlay\Core\Adjustment\Model;
use Parlay\Core\Adjustment\ObservationGroup;
use PHPUnit\Framework\TestCase;

/**
 * The level net of Ghilani, *Adjustment Computations*, chapter on level nets: seven height differences between two benchmarks (100.00
 * and 107.50) and three new points, without weights and weighted by the lengths of the lines. Data and printed results are recalled
 * from memory; that they agree with each other to every printed digit confirms both.
 */
final class WorkedExamplesTest extends TestCase
{
    /** From, to, height difference, length in miles: X and Y are the benchmarks, A, B and C are looked for. */
    private const LINES = [
        ['X', 'A', 5.10, 4.0], ['A', 'Y', 2.34, 3.0], ['Y', 'C', -1.25, 2.0], ['C', 'X', -6.13, 3.0], ['A', 'B', -0.68, 2.0],
        ['Y', 'B', -3.00, 2.0], ['B', 'C', 1.70, 2.0],
    ];

    private const KNOWN = ['X' => 100.00, 'Y' => 107.50];

    /** A line of twelve miles has the weight 1, as printed. */
    private const UNIT = 12.0;

    public function test_a_level_net_without_weights(): void
    {
        $solution = LeastSquares::solve(self::plain(false), [0.0, 0.0, 0.0]);
        self::assertSame(['105.14', '104.48', '106.19'], self::written($solution->unknowns, 2));
        self::assertSame('0.050', sprintf('%.3f', sqrt($solution->variance)));
        self::assertSame(4, $solution->redundancy);
    }

    public function test_a_level_net_weighted_by_the_lengths_of_its_lines(): void
    {
        $solution = LeastSquares::solve(self::plain(true), [0.0, 0.0, 0.0]);
        self::assertSame(['105.150', '104.489', '106.197'], self::written($solution->unknowns, 3));
        self::assertSame('0.107', sprintf('%.3f', sqrt($solution->variance)));
    }

    public function test_the_adjustment_of_setups_gives_the_same(): void
    {
        $model = new class(self::equations(true)) implements GroupedModel
        {
            /** @param  \Closure(list<float>): list<Equation>  $equations */
            public function __construct(private readonly \Closure $equations) {}

            public function blocksAt(array $unknowns): array
            {
                return array_map(
                    static fn (Equation $e) => new ObservationGroup([$e->coefficients], [$e->misclosure], [[$e->deviation ** 2]]),
                    ($this->equations)($unknowns),
                );
            }
        };
        $solution = GroupedSquares::solve($model, [0.0, 0.0, 0.0]);
        self::assertSame(['105.150', '104.489', '106.197'], self::written($solution->unknowns, 3));
        self::assertSame('0.107', sprintf('%.3f', (float) $solution->unitWeightDeviation()));
        // Redundancy numbers add up to what is spare.
        $sum = 0.0;
        foreach (array_keys(self::LINES) as $i) {
            $sum += $solution->judge($i)->reliability[0]->redundancy;
        }
        self::assertEqualsWithDelta(4.0, $sum, 1e-9);
    }

    private static function plain(bool $weighted): Model
    {
        return new class(self::equations($weighted)) implements Model
        {
            /** @param  \Closure(list<float>): list<Equation>  $equations */
            public function __construct(private readonly \Closure $equations) {}

            public function equationsAt(array $unknowns): array
            {
                return ($this->equations)($unknowns);
            }
        };
    }

    /** @return \Closure(list<float>): list<Equation> */
    private static function equations(bool $weighted): \Closure
    {
        return static function (array $unknowns) use ($weighted): array {
            $new = array_flip(['A', 'B', 'C']);
            $equations = [];
            foreach (self::LINES as [$from, $to, $difference, $miles]) {
                $row = [0.0, 0.0, 0.0];
                $computed = 0.0;
                foreach ([[$from, -1.0], [$to, 1.0]] as [$point, $sign]) {
                    $computed += $sign * (self::KNOWN[$point] ?? $unknowns[$new[$point]]);
                    if (isset($new[$point])) {
                        $row[$new[$point]] = $sign;
                    }
                }
                $equations[] = new Equation($row, $difference - $computed, $weighted ? sqrt($miles / self::UNIT) : 1.0);
            }

            return $equations;
        };
    }

    /**
     * @param  list<float>  $values
     * @return list<string>
     */
    private static function written(array $values, int $digits): array
    {
        return array_map(static fn (float $v) => sprintf("%.{$digits}f", $v), $values);
    }
}
