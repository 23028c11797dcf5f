<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

use Parlay\Core\Instrument\Accuracy;

/** The station's elevation as the weighted mean of what each sight gives. */
final readonly class StationHeight
{
    private function __construct(
        public float $elevation,
        public float $deviation,
        public int $sights,
    ) {}

    /**
     * @param  list<ControlSight>  $used
     *  @return self|null null where no control point has an elevation
     */
    public static function mean(array $used, float $instrumentHeight, Accuracy $accuracy): ?self
    {
        $sum = $weights = 0.0;
        $count = 0;
        foreach ($used as $s) {
            if ($s->control->elevation === null) {
                continue;
            }
            $weight = 1 / $accuracy->ofHeight($s->sight->distance) ** 2;
            $sum += $weight * ($s->control->elevation + $s->sight->target->height - $s->sight->rise - $instrumentHeight);
            $weights += $weight;
            $count++;
        }

        return $count === 0 ? null : new self($sum / $weights, 1 / sqrt($weights), $count);
    }
}
