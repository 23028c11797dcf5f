<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\Precision;
use Parlay\Core\Setups\ShotSpread;

/**
 * What a mark could prove at best from where one stands: its conformance probability where it is found exactly as it was designed, or half way between what is allowed up and down (JCGM 106:2012, 7). Where that is
 * less than what is asked for, the tolerance is tighter than setup, instrument and distance can prove, however well it is staked.
 */
final readonly class Provable
{
    /**
     * @param  float|null  $planUncertain  95 of 100, metres; null where plan can't differ
     * @param  float|null  $heightUncertain  the same of its height
     * @param  float|null  $plan  probability at best; null where plan is not judged
     * @param  float|null  $height  the same of its height
     */
    private function __construct(public ?float $planUncertain, public ?float $heightUncertain, public ?float $plan, public ?float $height) {}

    /**
     * @param  float  $targetHeight  metres
     * @param  Position  $design  what is staked; without an elevation it is taken at the instrument's mark
     * @param  \Closure(Position): Position  $designedAt  what of it is designed for a pole there
     * @return self|null null where nothing of it is judged
     */
    public static function at(Station $station, Precision $setup, Accuracy $accuracy, float $targetHeight, Position $design, \Closure $designedAt, Tolerance $tolerance, Judged $judged): ?self
    {
        $sight = self::sight($station, $design->elevation === null ? $design->at($station->mark->elevation) : $design, $targetHeight);
        $spread = DeviationSpread::of(ShotSpread::of($station, $setup, $sight, $accuracy), $design, $designedAt);
        // Where more is allowed one way than the other, best is half way between.
        $deviation = Deviation::between($design, $design->elevation === null ? $design : $design->at($design->elevation + $tolerance->middle()));
        $found = Conformance::judge($deviation, $spread, $tolerance, $deviation->judgedOf($judged), new DecisionRule);

        return $found === null ? null : new self(
            $spread->plan() > 0.0 ? $spread->plan() : null, $deviation->height === null ? null : $spread->height(), $found->plan, $found->height,
        );
    }

    /** The weaker one of plan and height. */
    public function probability(): float
    {
        return min($this->plan ?? 1.0, $this->height ?? 1.0);
    }

    /** As it would be read there, to a millimetre: no spread depends on less. */
    private static function sight(Station $station, Position $place, float $targetHeight): Sight
    {
        ['circle' => $circle, 'zenith' => $zenith] = $station->aimAt($place, $targetHeight);
        $slope = max(0.01, $station->mark->distanceTo($place) / max(1e-3, sin($zenith)));

        return Sight::reduce(new RawReading($circle, $zenith, $slope), (new Atmosphere)->given(0.0), new Target($targetHeight, 0.0));
    }
}
