<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/**
 * An adjustment in which some unknowns are held at values that are themselves uncertain: the others are what least squares gives with
 * those held, and their covariance takes the uncertainty of the held ones into account ("consider" parameters; recalled from estimation
 * texts, checked by simulation).
 */
final readonly class Constrained
{
    /**
     * @param  list<float>  $unknowns
     * @param  list<list<float>>  $covariance
     */
    private function __construct(
        public array $unknowns,
        public array $covariance,
    ) {}

    /**
     * @param  array<int, array{float, float}>  $held  by index: value and variance
     *
     * @throws NoSolution
     */
    public static function at(GroupedSolution $free, array $held): self
    {
        $indices = array_keys($held);
        $q = $free->cofactors;
        $inverse = Cholesky::invert(array_map(static fn (int $i) => array_map(static fn (int $k) => $q[$i][$k], $indices), $indices));
        $unknowns = $free->unknowns;
        $covariance = $q;
        $others = array_values(array_diff(array_keys($unknowns), $indices));
        $follows = [];
        foreach ($others as $o) {
            foreach ($indices as $c => $k) {
                $follows[$o][$k] = 0.0;
                foreach ($indices as $r => $i) {
                    $follows[$o][$k] += $q[$o][$i] * $inverse[$r][$c];
                }
                $unknowns[$o] -= $follows[$o][$k] * ($free->unknowns[$k] - $held[$k][0]);
            }
        }
        foreach ($indices as $i) {
            $unknowns[$i] = $held[$i][0];
            foreach ($indices as $k) {
                $covariance[$i][$k] = $i === $k ? $held[$i][1] : 0.0;
            }
        }
        foreach ($others as $o) {
            foreach ($indices as $k) {
                $covariance[$o][$k] = $covariance[$k][$o] = $follows[$o][$k] * $held[$k][1];
            }
            foreach ($others as $p) {
                foreach ($indices as $k) {
                    $covariance[$o][$p] += -$follows[$o][$k] * $q[$k][$p] + $follows[$o][$k] * $held[$k][1] * $follows[$p][$k];
                }
            }
        }

        /** @var list<float> $unknowns written in place */
        /** @var list<list<float>> $covariance */
        return new self($unknowns, $covariance);
    }
}
