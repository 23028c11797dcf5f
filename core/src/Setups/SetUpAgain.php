<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Station;

/** A part of a setup that holds is found again, and the rest kept: its height from benchmarks, or its orientation after a knock. */
final readonly class SetUpAgain
{
    /** @param  Precision  $precision  of the setup of which a part is kept */
    public function __construct(
        private Station $station,
        private Precision $precision,
        private Accuracy $accuracy,
    ) {}

    /**
     * @param  list<ControlSight>  $sights  benchmarks; only their heights are used
     * @param  float|null  $instrumentHeight  where it was measured anew
     *
     * @throws CannotSetUp
     */
    public function height(array $sights, ?float $instrumentHeight = null): SetupSolution
    {
        $sights = array_map(static fn (ControlSight $s) => $s->with(plan: false), $sights);
        $used = array_filter($sights, static fn (ControlSight $s) => $s->givesHeight());
        if ($used === []) {
            throw CannotSetUp::noBenchmark();
        }
        $strays = $this->strays($used);
        $given = new StationConstraint(
            $this->station->mark->at(null), $this->precision->place(), 0.0, $this->station->orientation,
            (float) $this->precision->orientation(),
        );
        $found = (new StationAdjustment(
            $sights, $instrumentHeight ?? $this->station->instrumentHeight, $this->accuracy, $given,
        ))->places()[0];

        return new SetupSolution(
            $found->station, new Precision($this->precision->plan, $found->precision->height, $this->precision->oriented),
            $found->residuals, $found->redundancy, $found->unitWeightDeviation,
            array_values(array_filter([
                count($used) === 1 ? Caution::that(CautionKind::ElevationFromOneBenchmark) : null,
                $found->passes === false ? Caution::that(CautionKind::BenchmarksDiffer) : null,
                $strays === [] ? null : Caution::of(CautionKind::MarksStray, ...$strays),
            ])),
            $strays !== [] && count($strays) === count($used) ? false : $found->passes, false,
        );
    }

    /**
     * Distances and directions are not used for the height, but tell whether the instrument still stands where the setup has it.
     *
     * @param  array<ControlSight>  $used
     * @return list<string> names
     */
    private function strays(array $used): array
    {
        $strays = [];
        foreach ($used as $s) {
            if (! $s->sight->hasDistance()) {
                continue;
            }
            $accuracy = $s->accuracy($this->accuracy);
            $at = $this->station->mark->distanceTo($s->control);
            $spread = hypot(
                hypot($this->precision->place(), $accuracy->centring),
                max($accuracy->ofDistance($at), $at * hypot($accuracy->angle, (float) $this->precision->orientation())),
            );
            if ($this->station->locate($s->sight)->distanceTo($s->control) > Significance::SUSPECT * $spread) {
                $strays[] = $s->name;
            }
        }

        return $strays;
    }

    /**
     * @param  list<ControlSight>  $sights  only their directions turn it; distances and heights check that the instrument did not move
     *
     * @throws CannotSetUp
     */
    public function orientation(array $sights): SetupSolution
    {
        $back = array_filter($sights, static fn (ControlSight $s) => $s->givesDirection());
        if ($back === []) {
            throw CannotSetUp::noBacksight();
        }
        $given = new StationConstraint($this->station->mark, $this->precision->place(), (float) $this->precision->height());
        $found = (new StationAdjustment($sights, $this->station->instrumentHeight, $this->accuracy, $given))->places()[0];
        $cautions = count($back) === 1 ? [Caution::that(CautionKind::OneSightOrients)] : [];
        if ($found->passes === false) {
            $cautions[] = Caution::by(CautionKind::InstrumentMoved, (float) $found->unitWeightDeviation);
        }

        return $found->withCautions($cautions);
    }
}
