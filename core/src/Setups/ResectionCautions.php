<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** What a resection's sights can't prove, in sentences. */
final class ResectionCautions
{
    /**
     * @param  list<ControlSight>  $sights
     * @param  int  $places  how many fit
     * @return list<string>
     */
    public static function of(SetupSolution $solution, array $sights, int $places): array
    {
        $plan = count(array_filter($sights, static fn (ControlSight $s) => $s->plan));
        $heights = count(array_filter($sights, static fn (ControlSight $s) => $s->givesHeight()));
        $two = array_filter($sights, static fn (ControlSight $s) => $s->givesDirection() && $s->givesDistance());

        return array_values(array_filter([
            $places > 1 ? 'Two places fit these sights. Choose the one that agrees with where the instrument stands, or sight one more control point.' : null,
            $solution->isOriented() ? null : 'Distances alone give no orientation: read a direction to one of the points.',
            $plan === 2 && count($two) === 2 ? 'With two sights only their distances check each other. A third control point would show which one is wrong.' : null,
            $solution->redundancy === 0 ? 'Nothing is spare: these sights give a place but can’t check it.' : null,
            $solution->unitWeightDeviation !== null && $solution->unitWeightDeviation > 3 ? sprintf('Residuals are %.1f times what the instrument’s accuracy explains. A sight, a target or a coordinate is wrong.', $solution->unitWeightDeviation) : null,
            $solution->scale?->differs() === true ? sprintf('With a free scale, the distances would be too %s by %.0f ± %.0f ppm of their length: look at the ppm, the scale factor and the control.', $solution->scale->ppm > 0 ? 'long' : 'short', abs($solution->scale->ppm), $solution->scale->deviation) : null,
            $heights === 0 ? 'No used control point has an elevation, so this setup gives none.' : ($heights === 1 ? 'The elevation comes from one sight and is not checked.' : null),
        ]));
    }
}
