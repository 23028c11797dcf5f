<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Adjustment\ChiSquare;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\CheckShot;
use Parlay\Core\Setups\GridLines;
use Parlay\Core\Setups\KnownPoint;
use Parlay\Core\Setups\LineShot;
use Parlay\Core\Setups\MeasuredBaseline;
use Parlay\Core\Setups\MeasuredControl;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Core\Setups\SiteLine;
use Parlay\Core\Stakeout\Guidance;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Core\Units\Angle;

/**
 * Days on a simulated site, each with a seed of its own: whether what a setup says of itself holds the truth, which only the simulation
 * knows.
 *
 * Readings come from Field, which draws light over a round earth and knows nothing of the adjustment. Used by the tests, with few days,
 * and by the bench, with many.
 */
final class Trust
{
    public const METHODS = ['resection', 'backsight', 'given direction', 'grid lines', 'baseline'];

    /** Whether a point of the work, 60 m off, lies within the 95 % that are stated for the setup's sake. */
    public static function holds(string $method, float $angles, int $seed): bool
    {
        $field = new Field($seed);
        $found = match ($method) {
            'resection' => Resection::solve(
                array_map(static fn (int $i) => $field->controlSight("CP$i", $field->mark(), $angles), range(1, 4)),
                Field::INSTRUMENT_HEIGHT, $field->accuracy,
            ),
            'backsight' => (new KnownPoint(
                self::mark($field), Field::INSTRUMENT_HEIGHT, $field->accuracy,
            ))->onBacksights([$field->controlSight('B', $field->mark(30.0, 90.0), $angles)]),
            'given direction' => self::givenDirection($field, $angles),
            'grid lines' => self::gridLines($field, $angles),
            default => self::baseline($field, $angles),
        };
        $point = $field->station->along($field->between(0, 2 * M_PI), 60.0);
        $seen = $found->station->mark->along($found->station->orientation - $field->orientation + $field->station->azimuthTo($point), 60.0);
        [$vn, $ve, $vne] = $found->precision->variances($found->station->mark, $seen);
        [$dn, $de] = [$seen->northing - $point->northing, $seen->easting - $point->easting];
        if ($method === 'baseline') {
            // The place is assumed and has no error: only what the turn does across counts.
            return ChiSquare::below((self::turned($field, $found) / sqrt($found->precision->plan[2][2])) ** 2, 1) <= 0.95;
        }

        return ChiSquare::below(($dn ** 2 * $ve - 2 * $dn * $de * $vne + $de ** 2 * $vn) / ($vn * $ve - $vne ** 2), 2) <= 0.95;
    }

    /** Whether a clean check on a clean setup is called wrong. */
    public static function falseAlarm(float $angles, float $steep, int $seed): bool
    {
        $field = new Field($seed);
        $setup = Resection::solve(
            array_map(static fn (int $i) => $field->controlSight("CP$i", $field->mark(), $angles), range(1, 4)),
            Field::INSTRUMENT_HEIGHT, $field->accuracy,
        );
        $off = $field->between(15, 60);
        $mark = $field->station->along($field->between(0, 2 * M_PI), $off, $field->station->elevation + $off * tan($steep));

        return ! CheckShot::judge(
            $setup->station, $setup->precision, $field->sight($mark, $angles), $mark, $field->accuracy->ofAngles($angles),
        )->holds;
    }

    /** @return array{float, float} how far new control lies from the truth, and what is stated of it; metres, of one coordinate */
    public static function newControl(int $shots, int $seed): array
    {
        $field = new Field($seed);
        $setup = Resection::solve($field->sights(3), Field::INSTRUMENT_HEIGHT, $field->accuracy);
        $mark = $field->mark(40.0, 80.0);
        $found = MeasuredControl::of(
            array_map(static fn () => [$setup->station, $setup->precision, $field->sight($mark), $field->accuracy], range(1, $shots)),
        );

        return [($found->place->northing - $mark->northing), $found->planDeviation];
    }

    /**
     * One shot at a pole that stands beside a design point, far from the origin, level or steep: metres that the found place, or the
     * place to which the guidance leads, lies from the truth.
     */
    public static function staked(int $seed): float
    {
        $field = new Field($seed, noisy: 0.0);
        $mark = new Position(5_400_000.0 + $field->between(0, 1000), 3_500_000.0 + $field->between(0, 1000), $field->between(0, 300));
        $station = new Station($mark, $field->between(0, 2 * M_PI), $field->between(1.2, 1.8));
        $off = $field->between(2, 200);
        $design = $mark->along($field->between(0, 2 * M_PI), $off, $mark->elevation + $off * tan($field->between(-M_PI / 3, M_PI / 3)));
        $pole = $design->along($field->between(0, 2 * M_PI), $field->between(0, 3), $design->elevation + $field->between(-1, 1));
        $target = new Target($field->between(0.1, 4.0), $field->between(-0.04, 0.04));
        [$slope, $zenith] = Field::light(
            $mark->at((float) $mark->elevation + $station->instrumentHeight), $pole->at((float) $pole->elevation + $target->height),
        );
        $air = new Atmosphere;
        $ppm = $field->between(-30, 30);
        // What the instrument shows: its own correction, and its own constant, are in the distance.
        $shown = ($slope - $target->prismConstant) / (1 + $air->ppm() * 1e-6) * (1 + $ppm * 1e-6) + 0.0175;
        $sight = Sight::reduce(
            new RawReading(Angle::wrap($mark->azimuthTo($pole) - $station->orientation), $zenith, $shown, $ppm, 0.0175), $air, $target,
        );
        $found = $station->locate($sight);
        $go = Guidance::from($mark, $found, $design, new Tolerance(0.01, 0.01));
        $led = $pole->along($go->facing, $go->toward)
            ->along($go->facing + M_PI_2, $go->right, (float) $pole->elevation + (float) $go->raise);

        return max(
            $found->distanceTo($pole), abs((float) $found->elevation - (float) $pole->elevation), $led->distanceTo($design),
            abs((float) $led->elevation - (float) $design->elevation),
        );
    }

    /** Where the instrument is said to stand: it was centred over it as well as it could be. */
    private static function mark(Field $field): Position
    {
        return new Position(
            $field->station->northing + $field->noise($field->accuracy->centring),
            $field->station->easting + $field->noise($field->accuracy->centring), $field->station->elevation,
        );
    }

    private static function givenDirection(Field $field, float $angles): SetupSolution
    {
        $mark = self::mark($field);
        $other = $field->mark(20.0, 60.0);

        return (new KnownPoint($mark, Field::INSTRUMENT_HEIGHT, $field->accuracy))->onDirection(
            $field->sight($other, $angles), $mark->azimuthTo($other), $angles,
        );
    }

    private static function gridLines(Field $field, float $angles): SetupSolution
    {
        [$n, $e] = [$field->station->northing - 20.0, $field->station->easting - 15.0];
        $shots = [];
        foreach ([
            new SiteLine('A', new Position($n, $e + 2.0), new Position($n, $e + 60.0)),
            new SiteLine('1', new Position($n + 3.0, $e), new Position($n + 70.0, $e)),
        ] as $line) {
            foreach ([0.1, 0.5, 0.9] as $t) {
                $shots[] = new LineShot(
                    $line, $field->sight($line->from->along($line->azimuth(), $t * $line->from->distanceTo($line->to), 40.0), $angles),
                    angleFactor: $angles,
                );
            }
        }
        $places = (new GridLines($shots, Field::INSTRUMENT_HEIGHT, $field->accuracy))->places();
        usort($places, static fn ($a, $b) => $a->solution->station->mark->distanceTo($field->station) <=> $b->solution->station->mark->distanceTo($field->station));

        return $places[0]->solution;
    }

    private static function baseline(Field $field, float $angles): SetupSolution
    {
        [$a, $b] = [$field->mark(20.0, 50.0), $field->mark(20.0, 50.0)];
        while ($a->distanceTo($b) < 15.0) {
            $b = $field->mark(20.0, 50.0);
        }

        return MeasuredBaseline::solve(
            $field->station, Field::INSTRUMENT_HEIGHT, $field->sight($a, $angles), $field->sight($b, $angles), $a->azimuthTo($b),
            $field->accuracy, null, [$angles, $angles],
        )->solution;
    }

    private static function turned(Field $field, SetupSolution $found): float
    {
        return atan2(sin($found->station->orientation - $field->orientation), cos($found->station->orientation - $field->orientation));
    }

    /** @param  callable(int): bool  $day */
    public static function share(int $days, callable $day): float
    {
        $yes = 0;
        for ($seed = 1; $seed <= $days; $seed++) {
            $yes += $day($seed) ? 1 : 0;
        }

        return 100 * $yes / $days;
    }
}
