<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Adjustment;

use Parlay\Core\Adjustment\Cholesky;
use Parlay\Core\Adjustment\Equation;
use Parlay\Core\Adjustment\LeastSquares;
use Parlay\Core\Adjustment\Model;
use Parlay\Core\Adjustment\NoSolution;
use PHPUnit\Framework\TestCase;

final class LeastSquaresTest extends TestCase
{
    /**
     * NIST Statistical Reference Datasets, linear regression, “Norris”: y over x, with its certified values. Data and values were
     * recalled from memory; that they agree with each other to eleven digits confirms both.
     */
    public function test_it_reproduces_the_certified_values_of_a_reference_dataset(): void
    {
        $data = '0.1 0.2;338.8 337.4;118.1 118.2;888.0 884.6;9.2 10.1;228.1 226.5;668.5 666.3;998.5 996.3;449.1 448.6;778.9 '
            .'777.0;559.2 558.2;0.3 0.4;'
            .'0.1 0.6;778.1 775.5;668.8 666.9;339.3 338.0;448.9 447.5;10.8 11.6;557.7 556.0;228.3 228.1;998.0 995.8;888.8 887.6;119.6 '
                .'120.2;0.3 0.3;'
            .'0.6 0.3;557.6 556.8;339.3 339.1;888.0 887.2;998.5 999.0;778.9 779.0;10.2 11.1;117.6 118.3;228.9 229.2;668.4 669.1;449.2 '
                .'448.9;0.2 0.5';
        $points = array_map(static fn (string $pair) => array_map(floatval(...), explode(' ', $pair)), explode(';', $data));
        $line = LeastSquares::solve(self::line($points), [100.0, -3.0]);
        self::assertSame(34, $line->redundancy);
        self::assertEqualsWithDelta([-0.262323073774029, 1.00211681802045], $line->unknowns, 1e-11);
        self::assertEqualsWithDelta(0.884796396144373, sqrt($line->variance), 1e-11);
        self::assertEqualsWithDelta(0.232818234301152, $line->deviation(0) * sqrt($line->variance), 1e-11);
        self::assertEqualsWithDelta(0.429796848199937e-3, $line->deviation(1) * sqrt($line->variance), 1e-13);
    }

    public function test_a_weight_pulls_as_the_inverse_square_of_its_deviation(): void
    {
        $mean = new class implements Model
        {
            public function equationsAt(array $unknowns): array
            {
                return [new Equation([1.0], 10.0 - $unknowns[0], 1.0), new Equation([1.0], 20.0 - $unknowns[0], 3.0)];
            }
        };
        $solution = LeastSquares::solve($mean, [0.0]);
        self::assertEqualsWithDelta(11.0, $solution->unknowns[0], 1e-12);
        self::assertEqualsWithDelta(sqrt(0.9), $solution->deviation(0), 1e-12);
    }

    public function test_what_is_not_determined_is_said(): void
    {
        $this->expectException(NoSolution::class);
        LeastSquares::solve(self::line([[1.0, 5.0], [2.0, 5.0], [3.0, 5.0]]), [0.0, 0.0]);
    }

    public function test_what_does_not_settle_is_said(): void
    {
        $this->expectException(NoSolution::class);
        LeastSquares::solve(new class implements Model
        {
            public function equationsAt(array $unknowns): array
            {
                return [new Equation([1.0], 1.0, 1.0)];
            }
        }, [0.0]);
    }

    public function test_an_inverse_times_its_matrix_is_one(): void
    {
        $matrix = [[4.0, 1.0, -2.0], [1.0, 9.0, 0.5], [-2.0, 0.5, 25.0]];
        $inverse = Cholesky::invert($matrix);
        foreach ([0, 1, 2] as $i) {
            foreach ([0, 1, 2] as $j) {
                self::assertEqualsWithDelta(
                    $i === $j ? 1.0 : 0.0, array_sum(array_map(static fn (int $k) => $matrix[$i][$k] * $inverse[$k][$j], [0, 1, 2])),
                    1e-14,
                );
            }
        }
    }

    /** @param  list<array{float, float}>  $points y, x */
    private static function line(array $points): Model
    {
        return new class($points) implements Model
        {
            public function __construct(private readonly array $points) {}

            public function equationsAt(array $unknowns): array
            {
                return array_map(
                    static fn (array $p) => new Equation([1.0, $p[1]], $p[0] - $unknowns[0] - $unknowns[1] * $p[1], 1.0), $this->points,
                );
            }
        };
    }
}
