<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Adjustment\ObservationGroup;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\ObservedResidual;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\SightResidual;
use Parlay\Core\Setups\StationModel;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Tests\Setups\Blunders\Setups;
use PHPUnit\Framework\TestCase;

/** What a resection says of its own quality. */
final class QualityTest extends TestCase
{
    public function test_the_ellipse_is_that_of_the_covariance(): void
    {
        mt_srand(81);
        $cases = $ours = [];
        for ($i = 0; $i < 50; $i++) {
            [$a, $b, $t] = [mt_rand(1, 100) / 1e4, mt_rand(1, 100) / 1e4, mt_rand(0, 314) / 100];
            [$nn, $ee, $ne] = [
                ($a * cos($t)) ** 2 + ($b * sin($t)) ** 2, ($a * sin($t)) ** 2 + ($b * cos($t)) ** 2,
                ($a ** 2 - $b ** 2) * sin($t) * cos($t),
            ];
            $ellipse = Ellipse::ninetyFive($nn, $ee, $ne);
            $cases[] = [$nn, $ee, $ne];
            $ours[] = [$ellipse->major, $ellipse->minor];
            self::assertEqualsWithDelta(0.0, sin($ellipse->azimuth - ($a > $b ? $t : $t + M_PI_2)), $a === $b ? 1.0 : 1e-6);
        }
        $theirs = Reference::python("import numpy as np\nfrom scipy.stats import chi2\nk = np.sqrt(chi2.ppf(.95, "
            ."2))\nprint(json.dumps([[float(k * np.sqrt(max(0.0, v))) for v in np.linalg.eigvalsh([[n, c], [c, e]])[::-1]] for n, e, "
                .'c in input]))', $cases);
        foreach ($theirs as $i => $axes) {
            self::assertEqualsWithDelta($axes, $ours[$i], 1e-6);
        }
    }

    /** √(2 F(0.95; 2, r)), with scipy's F distribution. */
    public function test_the_factor_of_an_ellipse_from_residuals_is_that_of_scipy(): void
    {
        $theirs = Reference::python(
            "from scipy.stats import f\nprint(json.dumps([float((2 * f.ppf(.95, 2, r)) ** .5) for r in input]))", [1, 2, 5, 17, 200],
        );
        self::assertEqualsWithDelta($theirs, array_map(Ellipse::afterwards(...), [1, 2, 5, 17, 200]), 1e-6);
    }

    /**
     * Turning a station by its orientation's error moves a far point sideways: by numpy with the Jacobian written out, over noise drawn
     * from the covariance.
     */
    public function test_the_ellipse_of_a_far_point_is_that_of_points_staked_from_stations_drawn_at_random(): void
    {
        $field = new Field(3);
        $solution = Resection::solve($field->sights(4), Field::INSTRUMENT_HEIGHT, $field->accuracy);
        $mark = $solution->station->mark;
        $point = new Position($mark->northing + 90.0, $mark->easting - 140.0);
        $ellipse = $solution->precision->at($mark, $point);
        $theirs = Reference::python(<<<'PY'
            import numpy as np
            d = np.random.default_rng(5).multivariate_normal([0, 0, 0], np.array(input['c']) , 200000, method='cholesky')
            n, e = input['at']
            p = np.stack([d[:, 0] + n * np.cos(d[:, 2]) - e * np.sin(d[:, 2]) - n, d[:, 1] + e * np.cos(d[:, 2]) + n * np.sin(d[:, 2]) - e])
            v = np.linalg.eigvalsh(np.cov(p))
            print(json.dumps([float(2.4477 * v[1] ** .5), float(2.4477 * v[0] ** .5)]))
            PY, ['c' => $solution->precision->plan, 'at' => [90.0, -140.0]]);
        self::assertEqualsWithDelta(1.0, $ellipse->major / $theirs[0], 0.01);
        self::assertEqualsWithDelta(1.0, $ellipse->minor / $theirs[1], 0.01);
    }

    public function test_the_ellipse_holds_the_true_place_in_ninety_five_of_a_hundred_setups(): void
    {
        $held = $passed = 0;
        for ($seed = 1; $seed <= 600; $seed++) {
            $setup = new Setups($seed);
            $solution = Resection::solve($setup->sights, 1.6, Setups::accuracy());
            $held += $solution->precision->ellipse()->holds(
                $setup->axis->northing - $solution->station->mark->northing, $setup->axis->easting - $solution->station->mark->easting,
            ) ? 1 : 0;
            $passed += $solution->passes ? 1 : 0;
        }
        self::assertGreaterThan(0.92 * 600, $held);
        self::assertLessThan(0.975 * 600, $held);
        self::assertGreaterThan(0.955 * 600, $passed);
    }

    /** Residuals over their deviations, redundancy numbers and what each sight's absence would change, by numpy with whole matrices. */
    public function test_reliability_and_absences_are_those_of_numpy(): void
    {
        $field = new Field(7, planDeviation: 0.002);
        $sights = $field->sights(5);
        $solution = Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy);
        $model = new StationModel($sights, $sights[0]->control, $field->accuracy, Field::INSTRUMENT_HEIGHT);
        $mark = $solution->station->mark;
        $blocks = $model->blocksAt($model->start($mark, $solution->station->orientation));
        // The start's height is a mean: put the adjusted one in.
        $blocks = $model->blocksAt([
            $mark->northing - $sights[0]->control->northing, $mark->easting - $sights[0]->control->easting,
            $solution->station->orientation, $mark->elevation + 1.6 - $sights[0]->control->elevation,
        ]);
        $theirs = Reference::python(<<<'PY'
            import numpy as np
            from scipy.linalg import block_diag
            A = np.vstack([np.array(b['rows']) for b in input]); l = np.concatenate([b['l'] for b in input]); C = block_diag(*[np.array(b['c']) for b in input])
            P = np.linalg.inv(C); Q = np.linalg.inv(A.T @ P @ A); Qv = C - A @ Q @ A.T; S = P @ Qv @ P
            k, moves = 0, []
            for b in input:
                keep = [i for i in range(len(l)) if not k <= i < k + len(b['l'])]
                B, W = A[keep], np.linalg.inv(C[np.ix_(keep, keep)])
                d = np.linalg.solve(B.T @ W @ B, B.T @ W @ l[keep])
                moves.append(float(np.hypot(d[0], d[1]))); k += len(b['l'])
            print(json.dumps({'r': np.diag(Qv @ P).tolist(), 'w': (np.abs(P @ l) / np.sqrt(np.diag(S))).tolist(), 'd': (4.13 / np.sqrt(np.diag(S))).tolist(), 'moves': moves}))
            PY, array_map(static fn (ObservationGroup $b) => ['rows' => $b->rows, 'l' => $b->misclosures, 'c' => $b->covariance], $blocks));
        self::assertEqualsWithDelta($solution->redundancy, array_sum($theirs['r']), 1e-8, 'redundancy numbers sum to the redundancy');
        $observed = array_merge(...array_map(static fn (SightResidual $r) => $r->observed, $solution->residuals));
        foreach ($observed as $i => $o) {
            self::assertEqualsWithDelta($theirs['r'][$i], $o->redundancy, 1e-6);
            self::assertEqualsWithDelta($theirs['w'][$i], $o->normalised, 1e-3);
            self::assertEqualsWithDelta($theirs['d'][$i] * 1e6, $o->detectable * 1e6, 1e-3 * $theirs['d'][$i] * 1e6);
        }
        foreach ($solution->residuals as $i => $r) {
            self::assertEqualsWithDelta($theirs['moves'][$i], $r->moves, 1e-6);
            // What is told of a sight as a whole: its least checked observation, the largest residual, the largest error that could
            // hide, in metres at the mark.
            $known = $solution->station->mark->distanceTo($sights[$i]->control);
            self::assertSame(min(array_map(static fn (ObservedResidual $o) => $o->redundancy, $r->observed)), $r->checked);
            self::assertSame(max(array_map(static fn (ObservedResidual $o) => (float) $o->normalised, $r->observed)), $r->normalised);
            self::assertSame(max(
                array_map(static fn (ObservedResidual $o) => (float) $o->detectable * ($o->kind->isAngle() ? $known : 1.0), $r->observed),
            ), $r->detectable);
        }
    }

    /** Where a sight is said to have found its mark is where the station places it. */
    public function test_a_residual_tells_where_the_sight_found_its_mark(): void
    {
        $field = new Field(17);
        $sights = $field->sights(5);
        $solution = Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy);
        foreach ($solution->residuals as $i => $r) {
            $located = $solution->station->locate($sights[$i]->sight);
            self::assertEqualsWithDelta(
                [$located->northing - $sights[$i]->control->northing, $located->easting - $sights[$i]->control->easting], $r->found,
                1e-6,
            );
            self::assertGreaterThan(1e-5, hypot(...$r->found ?? [0.0, 0.0]));
        }
        self::assertEqualsWithDelta(
            [[0.0, 3.0], [-2.0, 0.0]], [SightResidual::inPlan(M_PI_2, 3.0, null), SightResidual::inPlan(M_PI_2, null, 2.0)], 1e-12,
            'to the east: along is east, to the right is south',
        );
    }

    public function test_nothing_is_called_checked_that_has_nothing_to_spare(): void
    {
        $setup = new Setups(9, 5);
        $two = Resection::solve(array_slice($setup->sights, 0, 2), 1.6, Setups::accuracy());
        self::assertSame(2, $two->redundancy, 'six observations, four unknowns');
        self::assertLessThan(1.0, $two->residuals[0]->checked, 'two spare observations check nothing fully');
        self::assertSame(
            [null, null], array_map(static fn (SightResidual $r) => $r->moves, $two->residuals), 'one sight alone gives no place',
        );
        $three = Resection::solve(array_slice($setup->sights, 0, 3), 1.6, Setups::accuracy());
        self::assertNotNull($three->residuals[0]->moves);
        $mark = $three->station->mark;
        self::assertGreaterThan($three->reachesTo($mark->along(1.0, 10.0)), $three->reachesTo($mark->along(1.0, 200.0)));
        $alone = Resection::solve(
            array_map(static fn (ControlSight $s) => $s->with(distance: false, height: false), array_slice($setup->sights, 0, 3)), 1.6,
            Setups::accuracy(),
        );
        self::assertSame(0, $alone->redundancy);
        self::assertNull($alone->passes);
        self::assertNull($alone->ellipseAfterwards());
        foreach ($alone->residuals as $r) {
            self::assertNull($r->direction, 'a direction that nothing checks always fits');
            self::assertSame(0.0, $r->checked);
        }
    }
}
