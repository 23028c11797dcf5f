<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

use Parlay\Core\Units\Angle;

/**
 * Several readings of one target made into one: two faces take collimation and index out, rounds make the mean more certain.
 *
 * Relations of two faces as in any surveying text: direction (I + II ± 180°)/2, zenith angle (I + 360° − II)/2, collimation half of
 * what the directions differ by, index half of what the zenith angles' sum lacks to 360°. The stated deviation is that of one mean of
 * two faces (ISO 17123-3, by name only): one face alone is √2 times as uncertain, n rounds 1/√n.
 */
final readonly class Rounds
{
    /**
     * @param  float  $angleFactor  how much less certain the angles are than one mean of two faces
     * @param  int  $pairs  both faces read
     * @param  float|null  $collimation  radians; null without a pair
     * @param  float|null  $index  radians
     * @param  float  $spread  largest difference of a round's direction from the mean, radians; 0 with one
     */
    private function __construct(
        public RawReading $mean,
        public float $angleFactor,
        public int $pairs,
        public int $readings,
        public ?float $collimation,
        public ?float $index,
        public float $spread,
    ) {}

    /**
     * @param  non-empty-list<RawReading>  $readings  in the order taken; a zenith angle beyond 180° tells the second face
     */
    public static function of(array $readings): self
    {
        $first = $second = [];
        foreach ($readings as $r) {
            $r->zenith > M_PI ? $second[] = $r : $first[] = $r;
        }
        $pairs = min(count($first), count($second));
        $means = $collimations = $indices = [];
        for ($i = 0; $i < $pairs; $i++) {
            [$a, $b] = [$first[$i], $second[$i]];
            // What the directions differ by grows with the height of the target: level, it is twice the collimation.
            $half = Angle::signed($a->circle - $b->circle - M_PI) / 2;
            $indices[] = $off = Angle::signed($a->zenith + $b->zenith) / 2;
            $collimations[] = $half * max(sin($a->zenith - $off), 1e-3);
            $means[] = [Angle::wrap($a->circle - $half), $a->zenith - $off, self::distance([$a->slope, $b->slope]), 1.0];
        }
        // A single face is corrected by what the pairs say of the instrument.
        [$collimation, $index] = $pairs === 0 ? [0.0, 0.0] : [array_sum($collimations) / $pairs, array_sum($indices) / $pairs];
        foreach ([...array_slice($first, $pairs), ...array_slice($second, $pairs)] as $r) {
            $zenith = $r->zenith > M_PI ? 2 * M_PI - $r->zenith + $index : $r->zenith - $index;
            $turn = $collimation / max(sin($zenith), 1e-3);
            $means[] = [Angle::wrap($r->zenith > M_PI ? $r->circle + M_PI + $turn : $r->circle - $turn), $zenith, $r->slope, 0.5];
        }
        // Each pair weighs twice a single reading.
        $weight = $pairs + (count($means) - $pairs) / 2;
        $circle = Angle::wrap(
            $means[0][0] + array_sum(array_map(static fn (array $m) => $m[3] * Angle::signed($m[0] - $means[0][0]), $means)) / $weight,
        );

        return new self(
            new RawReading(
                $circle, array_sum(array_map(static fn (array $m) => $m[3] * $m[1], $means)) / $weight,
                self::distance(array_column($means, 2)), $readings[0]->ppmApplied, $readings[0]->prismConstantApplied,
            ),
            1 / sqrt($weight), $pairs, count($readings),
            $pairs === 0 ? null : $collimation, $pairs === 0 ? null : $index,
            max([0.0, ...array_map(static fn (array $m) => abs(Angle::signed($m[0] - $circle)), $means)]),
        );
    }

    /**
     * The mean of those that were measured.
     *
     * @param  list<float>  $slopes
     */
    private static function distance(array $slopes): float
    {
        $measured = array_filter($slopes, static fn (float $s) => $s > 0.0);

        return $measured === [] ? 0.0 : array_sum($measured) / count($measured);
    }
}
