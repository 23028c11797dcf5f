<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\GroupedSolution;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Units\Angle;

/** What a solution says of each sight to control: how it agrees with the place found, and how well the others check it. */
final readonly class SightsJudged
{
    /**
     * @param  int  $before  how many blocks of the solution come before those of the sights
     * @param  bool  $placeFound  whether the place was found, so that leaving a sight out moves it
     */
    public function __construct(
        private Station $station,
        private GroupedSolution $solution,
        private int $before,
        private bool $placeFound,
    ) {}

    /**
     * @param  list<ControlSight>  $sights  in the order they entered; those not in use get residuals as well
     * @return list<SightResidual>
     */
    public function of(array $sights): array
    {
        $residuals = [];
        $block = $this->before;
        foreach ($sights as $s) {
            $kinds = StationModel::observed($s);
            $residuals[] = $kinds === [] ? $this->residual($s) : $this->judged($s, $block++, $kinds);
        }

        return $residuals;
    }

    /** @param  list<ObservedKind>  $kinds */
    private function judged(ControlSight $s, int $block, array $kinds): SightResidual
    {
        $judged = $this->solution->judge($block);
        $observed = ObservedResidual::each($kinds, $this->solution->blocks[$block], $judged);

        return $this->residual($s, $observed, $this->placeFound ? $judged->moves() : null);
    }

    /** @param  list<ObservedResidual>  $observed */
    private function residual(ControlSight $s, array $observed = [], ?float $moves = null): SightResidual
    {
        $known = $this->station->mark->distanceTo($s->control);
        $hasDistance = $s->sight->hasDistance();
        $direction = Angle::signed($this->station->azimuthOf($s->sight->circle) - $this->station->mark->azimuthTo($s->control));
        $height = $hasDistance ? $this->station->locate($s->sight)->elevation : $this->station->heightAt($s->sight, $known);
        // A direction that nothing checks always fits: that is no residual.
        if ($observed !== [] && $observed[0]->kind === ObservedKind::Direction && $observed[0]->normalised === null) {
            $direction = null;
        }
        $detectable = $normalised = $checked = null;
        foreach ($observed as $o) {
            $checked = min($checked ?? 1.0, $o->redundancy);
            $detectable = $o->detectable === null ? INF : max($detectable ?? 0.0, $o->detectable * ($o->kind->isAngle() ? $known : 1.0));
            $normalised = $o->normalised === null ? $normalised : max($normalised ?? 0.0, $o->normalised);
        }

        $across = $direction === null ? null : $direction * $known;
        $along = $hasDistance ? $s->sight->distance - $known : null;

        return new SightResidual(
            name: $s->name,
            usedForPlan: $s->plan,
            usedForHeight: $s->height,
            direction: $direction,
            across: $across,
            distance: $along,
            height: $height === null || $s->control->elevation === null ? null : $height - $s->control->elevation,
            checked: $checked,
            detectable: $detectable === null || is_infinite($detectable) ? null : $detectable,
            normalised: $normalised,
            moves: $moves,
            observed: $observed,
            found: SightResidual::inPlan($this->station->mark->azimuthTo($s->control), $along, $across),
        );
    }
}
