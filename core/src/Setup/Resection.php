<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

use Parlay\Core\Adjustment\ChiSquare;
use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Adjustment\LeastSquares;
use Parlay\Core\Adjustment\NoSolution;
use Parlay\Core\Adjustment\Reliability;
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

    /** A clean setup passes the global test in this many cases of all. */
    private const PASSES = 0.98;

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
        $model = new ResectionModel($used, $origin, $accuracy);
        try {
            $plan = LeastSquares::solve($model, ResectionStart::find($used, $origin));
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
            residuals: self::residuals($sights, $station, Reliability::of($model->equationsAt($plan->unknowns), $plan->cofactors), $accuracy),
            redundancy: $plan->redundancy,
            fit: $plan->redundancy > 0 ? sqrt($plan->variance) : null,
            cautions: self::cautions($used, $station, $plan, $height),
            ellipse: Ellipse::ninetyFive($plan->cofactors[0][0], $plan->cofactors[1][1], $plan->cofactors[0][1]),
            passes: $plan->redundancy > 0 ? ChiSquare::below($plan->variance * $plan->redundancy, $plan->redundancy) <= self::PASSES : null,
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

    /**
     * @param  list<ControlSight>  $sights
     * @param  list<Reliability>  $reliability  direction and distance of each sight in use, in turn
     * @return list<SightResidual>
     */
    private static function residuals(array $sights, Station $station, array $reliability, Accuracy $accuracy): array
    {
        $residuals = [];
        $k = 0;
        foreach ($sights as $i => $s) {
            $own = $s->used ? array_slice($reliability, 2 * $k++, 2) : [];
            $residuals[] = self::residual($station, $s, $own, $s->used ? self::without($sights, $i, $station, $accuracy) : null);
        }

        return $residuals;
    }

    /**
     * How far the station would move without a sight; null where the rest would not do.
     *
     * @param  list<ControlSight>  $sights
     */
    private static function without(array $sights, int $i, Station $station, Accuracy $accuracy): ?float
    {
        $rest = array_values(array_filter($sights, static fn (ControlSight $s, int $k) => $s->used && $k !== $i, ARRAY_FILTER_USE_BOTH));
        try {
            self::requireTwoPlaces($rest);
            $origin = $rest[0]->control;
            $plan = LeastSquares::solve(new ResectionModel($rest, $origin, $accuracy), ResectionStart::find($rest, $origin));
        } catch (NoSolution|CannotSetUp) {
            return null;
        }

        return $station->mark->distanceTo(new Position($origin->northing + $plan->unknowns[0], $origin->easting + $plan->unknowns[1]));
    }

    /** @param  list<Reliability>  $reliability  of its direction and of its distance; none where it is not used */
    private static function residual(Station $station, ControlSight $s, array $reliability, ?float $moves): SightResidual
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
            $reliability === [] ? null : min($reliability[0]->redundancy, $reliability[1]->redundancy),
            $reliability === [] || $reliability[0]->detectable === null || $reliability[1]->detectable === null ? null : max($reliability[0]->detectable * $known, $reliability[1]->detectable),
            $reliability === [] || $reliability[0]->normalised === null || $reliability[1]->normalised === null ? null : max($reliability[0]->normalised, $reliability[1]->normalised),
            $moves,
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
