<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Instrument\Accuracy;

/** Free station on control points: by angles and distances, by angles alone (three or more), by distances alone (two or more), or mixed. */
final class Resection
{
    /** Two marks nearer to each other than this are one place. */
    public const ONE_PLACE = 0.1;

    /**
     * @param  list<ControlSight>  $sights  used or not; all get residuals
     *
     * @throws CannotSetUp
     */
    public static function solve(array $sights, float $instrumentHeight, Accuracy $accuracy): SetupSolution
    {
        return self::places($sights, $instrumentHeight, $accuracy)[0];
    }

    /**
     * @param  list<ControlSight>  $sights
     * @return non-empty-list<SetupSolution> two where the sights can't tell two places apart
     *
     * @throws CannotSetUp
     */
    public static function places(array $sights, float $instrumentHeight, Accuracy $accuracy): array
    {
        self::requireEnough($sights);
        $places = (new StationAdjustment($sights, $instrumentHeight, $accuracy))->places();

        return array_map(static fn (SetupSolution $s) => $s->withCautions(ResectionCautions::of($s, $sights, count($places))), $places);
    }

    /**
     * Whether there are as many observations as unknowns: place and orientation are three; without any direction the place alone is two.
     *
     * @param  list<ControlSight>  $sights
     */
    public static function suffice(array $sights): bool
    {
        $directions = count(array_filter($sights, static fn (ControlSight $s) => $s->givesDirection()));
        $distances = count(array_filter($sights, static fn (ControlSight $s) => $s->givesDistance()));

        return $directions + $distances >= ($directions === 0 ? 2 : 3);
    }

    /** @param  list<ControlSight>  $sights */
    private static function requireEnough(array $sights): void
    {
        $plan = array_values(array_filter($sights, static fn (ControlSight $s) => $s->givesDirection() || $s->givesDistance()));
        if (count($plan) < 2) {
            throw CannotSetUp::tooFewSights(count($plan));
        }
        if (! self::suffice($plan)) {
            throw CannotSetUp::tooFewAngles(count($plan));
        }
        foreach ($plan as $s) {
            if ($s->control->distanceTo($plan[0]->control) > self::ONE_PLACE) {
                return;
            }
        }
        throw CannotSetUp::sameMark($plan[0]->name);
    }
}
