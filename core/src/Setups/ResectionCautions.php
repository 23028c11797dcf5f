<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** What a resection's sights can't prove. */
final class ResectionCautions
{
    /**
     * @param  list<ControlSight>  $sights
     * @param  int  $places  how many fit
     * @return list<Caution>
     */
    public static function of(SetupSolution $solution, array $sights, int $places): array
    {
        $plan = count(array_filter($sights, static fn (ControlSight $s) => $s->plan));
        $heights = count(array_filter($sights, static fn (ControlSight $s) => $s->givesHeight()));
        $two = array_filter($sights, static fn (ControlSight $s) => $s->givesDirection() && $s->givesDistance());

        return array_values(array_filter([
            $places > 1 ? Caution::that(CautionKind::TwoPlaces) : null,
            $solution->isOriented() ? null : Caution::that(CautionKind::NotOriented),
            $plan === 2 && count($two) === 2 ? Caution::that(CautionKind::OnlyTwoSights) : null,
            $solution->redundancy === 0 ? Caution::that(CautionKind::NothingSpare) : null,
            $solution->unitWeightDeviation !== null && $solution->unitWeightDeviation > 3
                ? Caution::by(CautionKind::ResidualsTooLarge, $solution->unitWeightDeviation)
                : null,
            $solution->scale?->differs() === true
                ? Caution::by(CautionKind::ScaleDiffers, $solution->scale->ppm, $solution->scale->deviation)
                : null,
            $heights === 0
                ? Caution::that(CautionKind::NoElevation)
                : ($heights === 1 ? Caution::that(CautionKind::ElevationFromOneSight) : null),
        ]));
    }
}
