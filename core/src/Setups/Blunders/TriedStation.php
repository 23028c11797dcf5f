<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Adjustment\ChiSquare;
use Parlay\Core\Adjustment\GroupedSolution;
use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\CannotSetUp;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\StationAdjustment;
use Parlay\Core\Setups\StationConstraint;
use Parlay\Core\Setups\StationModel;

/** A station solved from some of the sights, or from sights with one thing in them replaced: the same model as the setup's own. */
final readonly class TriedStation
{
    private function __construct(
        public StationModel $model,
        public GroupedSolution $solution,
        public Station $station,
    ) {}

    /**
     * @param  list<ControlSight>  $sights
     * @param  Occupied|null  $on  the mark it stands on; null for a free station
     * @return self|null null where they give no place
     */
    public static function solve(array $sights, Accuracy $accuracy, ?Occupied $on = null): ?self
    {
        $given = $on?->given($accuracy) ?? new StationConstraint;
        if ($given->place === null && ! Resection::suffice($sights)) {
            return null;
        }
        try {
            return new self(...(new StationAdjustment($sights, $on->instrumentHeight ?? 0.0, $accuracy, $given))->likeliest());
        } catch (CannotSetUp) {
            return null;
        }
    }

    /** Observations more than unknowns. */
    public function redundancy(): int
    {
        return $this->solution->redundancy;
    }

    /** Weighted square sum of its residuals. */
    public function squares(): float
    {
        return $this->solution->squares;
    }

    /** Whether what is left is what a clean figure leaves in all but five of a thousand cases. */
    public function passes(): bool
    {
        return self::believed($this->squares(), $this->redundancy());
    }

    /** Whether what is left is what a good figure leaves. */
    public static function believed(float $squares, int $redundancy): bool
    {
        return $redundancy > 0 && ChiSquare::below($squares, $redundancy) <= Significance::BELIEVED;
    }

    /**
     * By how much the same readings would be likelier with this figure's deviations than with wider ones, were they equally many
     * deviations off: twice the logarithm of the ratio of the normal densities' peaks, in weighted squares.
     */
    public function moreExactThan(self $wider): float
    {
        $sum = 0.0;
        foreach ($this->solution->blocks as $i => $block) {
            $sum += log($wider->solution->blocks[$i]->spread() / $block->spread());
        }

        return $sum;
    }

    /** The mark under the target, as this figure places it. */
    public function locate(Sight $sight): Position
    {
        return $this->station->locate($sight);
    }
}
