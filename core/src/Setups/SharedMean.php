<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/**
 * A value that was measured from setups: shots of one setup share its error, which no number of them averages away, and setups at one place share what is
 * uncertain about that place, as where the circle was only turned again.
 */
final readonly class SharedMean
{
    /**
     * @param  float  $own  variance of the shot itself
     * @param  float  $ofSetup  variance for the setup's sake
     * @param  string  $setup  alike for shots of one setup
     * @param  string  $place  alike for setups at one place
     * @param  float  $ofPlace  variance of that place, a part of the setup's
     */
    public function __construct(
        public float $value,
        public float $own,
        public float $ofSetup,
        public string $setup,
        public string $place,
        public float $ofPlace,
    ) {}

    /**
     * Weighed by variances: within each setup, then of the setups at each place, then of the places.
     *
     * @param  non-empty-list<self>  $all
     * @return array{float, float} mean and variance
     */
    public static function of(array $all): array
    {
        $places = [];
        foreach ($all as $one) {
            $places[$one->place][$one->setup][] = $one;
        }

        return self::weighed(array_map(self::atOnePlace(...), array_values($places)));
    }

    /**
     * @param  non-empty-array<non-empty-list<self>>  $setups
     * @return array{float, float}
     */
    private static function atOnePlace(array $setups): array
    {
        // All that any of them has of its place is no more than its whole, where turning and place make up for each other.
        $shared = min(array_map(static fn (array $shots) => min($shots[0]->ofPlace, $shots[0]->ofSetup), $setups));
        [$mean, $variance] = self::weighed(array_map(static function (array $shots) use ($shared): array {
            [$value, $own] = self::weighed(array_map(static fn (self $s) => [$s->value, $s->own], $shots));

            return [$value, $own + $shots[0]->ofSetup - $shared];
        }, array_values($setups)));

        return [$mean, $variance + $shared];
    }

    /**
     * @param  non-empty-array<array{float, float}>  $values  each with its variance
     * @return array{float, float}
     */
    private static function weighed(array $values): array
    {
        $weights = $sum = 0.0;
        foreach ($values as [$value, $variance]) {
            $weights += 1 / max($variance, 1e-18);
            $sum += $value / max($variance, 1e-18);
        }

        return [$sum / $weights, 1 / $weights];
    }
}
