<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

use Parlay\Core\Adjustment\LeastSquares;
use Parlay\Core\Adjustment\NoSolution;
use Parlay\Core\Adjustment\Solution;
use Parlay\Core\Geometry\Angle;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Station;

/**
 * Free station on two or more control points: weighted least squares on every direction and distance.
 *
 * Plan and height are adjusted apart, since plan distances hardly depend on heights. The start comes from the shift and turn
 * that lays the measured figure on the control.
 */
final class Resection
{
    /** Sights whose lines meet flatter than this fix the place badly across them. */
    private const FLAT = 20.0;

    /**
     * @param  list<ControlSight>  $sights used or not; all get residuals
     *  @throws CannotSetUp
     */
    public static function solve(array $sights, float $instrumentHeight, Accuracy $accuracy): SetupSolution
    {
        $used = array_values(array_filter($sights, static fn (ControlSight $s) => $s->used));
        self::requireTwoPlaces($used);
        // About the first mark, so that squares are not formed of coordinates in millions.
        $origin = $used[0]->control;
        try {
            $plan = LeastSquares::solve(new ResectionModel($used, $origin, $accuracy), ResectionStart::find($used, $origin));
        } catch (NoSolution $e) {
            throw CannotSetUp::noSolution($e->getMessage());
        }
        $place = new Position($origin->northing + $plan->unknowns[0], $origin->easting + $plan->unknowns[1]);
        $height = StationHeight::mean($used, $instrumentHeight, $accuracy);
        $station = new Station($place->at($height?->elevation), Angle::wrap($plan->unknowns[2]), $instrumentHeight);

        return new SetupSolution(
            station: $station,
            northingDeviation: $plan->deviation(0),
            eastingDeviation: $plan->deviation(1),
            heightDeviation: $height?->deviation,
            orientationDeviation: $plan->deviation(2),
            residuals: array_map(static fn (ControlSight $s) => self::residual($station, $s), $sights),
            redundancy: $plan->redundancy,
            fit: $plan->redundancy > 0 ? sqrt($plan->variance) : null,
            cautions: self::cautions($used, $station, $plan, $height),
        );
    }

    /** @param  list<ControlSight>  $used */
    private static function requireTwoPlaces(array $used): void
    {
        if (count($used) < 2) {
            throw CannotSetUp::tooFewSights(count($used));
        }
        foreach ($used as $sight) {
            if ($sight->control->distanceTo($used[0]->control) > 0.1) {
                return;
            }
        }
        throw CannotSetUp::sameMark($used[0]->name);
    }

    private static function residual(Station $station, ControlSight $s): SightResidual
    {
        $known = $station->mark->distanceTo($s->control);
        $direction = Angle::signed($station->azimuthOf($s->sight->circle) - $station->mark->azimuthTo($s->control));
        $found = $station->locate($s->sight);

        return new SightResidual(
            $s->name,
            $s->used,
            $direction,
            $direction * $known,
            $s->sight->distance - $known,
            $found->elevation === null || $s->control->elevation === null ? null : $found->elevation - $s->control->elevation,
        );
    }

    /**
     * @param  list<ControlSight>  $used
     *  @return list<string>
     */
    private static function cautions(array $used, Station $station, Solution $plan, ?StationHeight $height): array
    {
        $cautions = [];
        if (self::flattest($used, $station) < self::FLAT) {
            $cautions[] = 'Weak figure: the sights lie nearly in line with the instrument. Sight a control point well to one side.';
        }
        if (count($used) === 2) {
            $cautions[] = 'With two sights only their distances check each other. A third control point would show which one is wrong.';
        }
        if ($plan->redundancy > 0 && sqrt($plan->variance) > 3) {
            $cautions[] = sprintf('Residuals are %.1f times what the instrument’s accuracy explains. A sight, a target or a coordinate is wrong.', sqrt($plan->variance));
        }
        if ($height === null) {
            $cautions[] = 'None of the used control points has an elevation, so this setup gives none.';
        } elseif ($height->sights === 1) {
            $cautions[] = 'The elevation comes from one sight and is not checked.';
        }

        return $cautions;
    }

    /**
     * The widest angle, in degrees off a common line, that any two used sights make; small means all in line.
     *  @param  list<ControlSight>  $used
     */
    private static function flattest(array $used, Station $station): float
    {
        $widest = 0.0;
        foreach ($used as $i => $a) {
            for ($j = $i + 1; $j < count($used); $j++) {
                $angle = abs(Angle::signed($station->mark->azimuthTo($a->control) - $station->mark->azimuthTo($used[$j]->control)));
                $widest = max($widest, rad2deg(min($angle, M_PI - $angle)));
            }
        }

        return $widest;
    }
}
