<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

/** The axes of a cloud of places about its centre, longest first: eigenvectors of its 3×3 matrix of squares, by Jacobi's turns. */
final readonly class PrincipalAxes
{
    /**
     * @param  list<array{float, float, float}>  $axes  unit vectors
     * @param  array{float, float, float}  $spread  sums of squares along them
     */
    private function __construct(
        public array $axes,
        public array $spread,
    ) {}

    /** @param  list<array{float, float, float}>  $places  about their centre of gravity */
    public static function of(array $places): self
    {
        $m = [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        foreach ($places as $p) {
            foreach ($p as $i => $x) {
                foreach ($p as $j => $y) {
                    $m[$i][$j] += $x * $y;
                }
            }
        }
        $v = [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]];
        for ($round = 0; $round < 50
            && abs($m[0][1]) + abs($m[0][2]) + abs($m[1][2]) > 1e-18 * ($m[0][0] + $m[1][1] + $m[2][2]); $round++) {
            foreach ([[0, 1], [0, 2], [1, 2]] as [$p, $q]) {
                self::turn($m, $v, $p, $q);
            }
        }
        $order = [0, 1, 2];
        usort($order, static fn (int $a, int $b) => $m[$b][$b] <=> $m[$a][$a]);
        $axis = static fn (int $i): array => [$v[0][$i], $v[1][$i], $v[2][$i]];

        return new self(array_map($axis, $order), [$m[$order[0]][$order[0]], $m[$order[1]][$order[1]], $m[$order[2]][$order[2]]]);
    }

    /**
     * Turns the plane of two axes so that they no longer depend on each other.
     *
     * @param  array<int, array<int, float>>  $m
     * @param  array<int, array<int, float>>  $v
     * @param-out array<int, array<int, float>> $m
     * @param-out array<int, array<int, float>> $v
     */
    private static function turn(array &$m, array &$v, int $p, int $q): void
    {
        if ($m[$p][$q] === 0.0) {
            return;
        }
        $theta = atan2(2 * $m[$p][$q], $m[$q][$q] - $m[$p][$p]) / 2;
        [$c, $s] = [cos($theta), sin($theta)];
        for ($k = 0; $k < 3; $k++) {
            [$m[$k][$p], $m[$k][$q]] = [$c * $m[$k][$p] - $s * $m[$k][$q], $s * $m[$k][$p] + $c * $m[$k][$q]];
            [$v[$k][$p], $v[$k][$q]] = [$c * $v[$k][$p] - $s * $v[$k][$q], $s * $v[$k][$p] + $c * $v[$k][$q]];
        }
        for ($k = 0; $k < 3; $k++) {
            [$m[$p][$k], $m[$q][$k]] = [$c * $m[$p][$k] - $s * $m[$q][$k], $s * $m[$p][$k] + $c * $m[$q][$k]];
        }
    }
}
