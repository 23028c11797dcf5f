<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Instrument\Accuracy;

/**
 * Two marks proved by the distance between them, before anything is computed from them: by the angle between both sights and the two
 * distances (law of cosines), held against their coordinates.
 */
final readonly class MarksApart
{
    private const OF_95 = 1.959964;

    /**
     * Metres; measured less listed is what they are farther apart than they should be.
     *
     * @param  float  $deviation  standard deviation of that difference, from the stated accuracy of instrument, centring and control
     * @param  float  $expected  95 of 100 differences are smaller (1.96 standard deviations of one normal figure)
     */
    private function __construct(
        public string $from,
        public string $to,
        public float $measured,
        public float $listed,
        public float $deviation,
        public float $expected,
    ) {}

    /**
     * @param  list<ControlSight>  $sights
     * @return self|null null unless there are two that give both a direction and a distance: more prove each other
     */
    public static function of(array $sights, Accuracy $stated): ?self
    {
        $whole = array_values(array_filter($sights, static fn (ControlSight $s) => $s->givesDirection() && $s->givesDistance()));
        if (count($whole) !== 2) {
            return null;
        }
        [$one, $other] = $whole;
        [$a, $b] = [$one->sight->distance, $other->sight->distance];
        $angle = $other->sight->circle - $one->sight->circle;
        $measured = sqrt(max(0.0, $a ** 2 + $b ** 2 - 2 * $a * $b * cos($angle)));
        if ($measured === 0.0) {
            return null;
        }
        [$ofOne, $ofOther] = [$one->accuracy($stated), $other->accuracy($stated)];
        $parts = [
            ($a - $b * cos($angle)) / $measured * $ofOne->ofDistance($a),
            ($b - $a * cos($angle)) / $measured * $ofOther->ofDistance($b),
            $a * $b * sin($angle) / $measured * hypot($ofOne->ofDirection($a), $ofOther->ofDirection($b)),
        ];

        $deviation = sqrt(array_sum(array_map(static fn (float $p) => $p ** 2, $parts)));

        return new self(
            $one->name, $other->name, $measured, $one->control->distanceTo($other->control), $deviation, self::OF_95 * $deviation,
        );
    }
}
