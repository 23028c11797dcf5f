<?php

declare(strict_types=1);

namespace Parlay\Core\Reports;

/** Deviations of many marks in plan: what they have in common, and how far they scatter about it. */
final readonly class Scatter
{
    /** So improbable must a common shift be by chance before it is said: 1 of 100. Common practice, no source. */
    private const CHANCE = 0.01;

    /**
     * @param  float  $north  mean, metres
     * @param  float  $spread  standard deviation of one component about the mean, both alike; metres
     * @param  bool  $shifted  whether the mean is more than chance
     */
    private function __construct(public int $count, public float $north, public float $east, public float $spread, public bool $shifted) {}

    /**
     * Held against their mean by F with two and 2 (n − 1) degrees of freedom, whose quantile has the closed form r/2 (p^(−2/r) − 1).
     *
     * @param  list<array{float, float}>  $deviations  north and east of the design, metres
     * @return self|null null of fewer than three
     */
    public static function of(array $deviations): ?self
    {
        $n = count($deviations);
        if ($n < 3) {
            return null;
        }
        [$north, $east] = [array_sum(array_column($deviations, 0)) / $n, array_sum(array_column($deviations, 1)) / $n];
        $squares = 0.0;
        foreach ($deviations as [$dn, $de]) {
            $squares += ($dn - $north) ** 2 + ($de - $east) ** 2;
        }
        $freedom = 2 * ($n - 1);
        $variance = $squares / $freedom;
        $limit = $freedom / 2 * (self::CHANCE ** (-2 / $freedom) - 1);

        return new self($n, $north, $east, sqrt($variance), $n * ($north ** 2 + $east ** 2) / 2 > $limit * $variance);
    }

    /** How far the mean lies from the design, metres. */
    public function shift(): float
    {
        return hypot($this->north, $this->east);
    }
}
