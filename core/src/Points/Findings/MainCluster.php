<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

use Parlay\Core\Points\PointRow;

/** Where the body of a list lies: its middle nine tenths, and what stands out from it. */
final readonly class MainCluster
{
    private function __construct(
        public float $south,
        public float $north,
        public float $west,
        public float $east,
    ) {}

    /** @param  non-empty-list<PointRow>  $rows */
    public static function of(array $rows): self
    {
        [$south, $north] = self::middle(array_map(static fn (PointRow $r) => $r->position->northing, $rows));
        [$west, $east] = self::middle(array_map(static fn (PointRow $r) => $r->position->easting, $rows));

        return new self($south, $north, $west, $east);
    }

    /** The longer side, metres; never 0. */
    public function size(): float
    {
        return max($this->north - $this->south, $this->east - $this->west, 1.0);
    }

    /** @param  float  $margin  in sizes of the body */
    public function holdsNorthing(float $n, float $margin): bool
    {
        return $n >= $this->south - $margin * $this->size() && $n <= $this->north + $margin * $this->size();
    }

    /** @param  float  $margin  part of its size that may be added on each side */
    public function holdsEasting(float $e, float $margin): bool
    {
        return $e >= $this->west - $margin * $this->size() && $e <= $this->east + $margin * $this->size();
    }

    /**
     * Least and greatest of the values without those that stand off: from the median outward, each next value may lie farther
     * by no more than the spread of the half nearest to it.
     *
     * @param  non-empty-list<float>  $values
     * @return array{float, float}
     */
    private static function middle(array $values): array
    {
        sort($values);
        $n = count($values);
        $low = $values[intdiv($n, 4)];
        $high = $values[intdiv(3 * $n, 4)];
        $gap = max($high - $low, 1.0);
        for ($i = intdiv($n, 4); $i > 0 && 1.5 * $gap >= $values[$i] - $values[$i - 1]; $i--);
        for ($k = intdiv(3 * $n, 4); $k < $n - 1 && 1.5 * $gap >= $values[$k + 1] - $values[$k]; $k++);

        return [$values[$i], $values[$k]];
    }
}
