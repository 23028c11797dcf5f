<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Adjustment\Normal;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\Precision;
use Parlay\Core\Setups\ShotSpread;
use Parlay\Core\Stakeout\Acceptance;
use Parlay\Core\Stakeout\Aims\AxisAim;
use Parlay\Core\Stakeout\Aims\FaceAim;
use Parlay\Core\Stakeout\Conformance;
use Parlay\Core\Stakeout\Conformity;
use Parlay\Core\Stakeout\DecisionRule;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\DeviationSpread;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\Provable;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** How probable it is that something conforms (JCGM 106:2012), held against scipy and against simulated measurements. */
final class ConformanceTest extends TestCase
{
    public function test_the_normal_distribution_is_that_of_scipy(): void
    {
        $z = [-9.0, -7.9, -4.0, -1.96, -0.3, 0.0, 1e-9, 0.5, 1.4, 3.3, 6.0, 8.5];
        $there = Reference::python('from scipy.stats import norm;print(json.dumps(list(norm.cdf(input))))', $z);
        self::assertEqualsWithDelta($there, array_map(Normal::below(...), $z), 1e-14);
    }

    /**
     * A breakdown voltage of −5.47 V, measured with a standard uncertainty of 0.05 V, shall be −5.40 V or lower: 92 % conform. That example of JCGM 106:2012
     * (7.3, the upper limit of a Zener diode) is written from memory.
     */
    public function test_one_limit_as_in_the_worked_example_of_the_diode(): void
    {
        self::assertEqualsWithDelta(0.92, Normal::between(-INF, -5.40, -5.47, 0.05), 0.005);
    }

    public function test_the_share_of_a_circle_is_that_of_scipy_for_every_form_of_the_ellipse(): void
    {
        mt_srand(9);
        $between = static fn (float $a, float $b): float => $a + ($b - $a) * mt_rand() / mt_getrandmax();
        $cases = [];
        for ($k = 0; $k < 60; $k++) {
            [$long, $flat, $turn] = [10 ** $between(-1, 1.2), [1.0, 0.7, 0.2, 0.03, 0.001][$k % 5], $between(0, M_PI)];
            [$a, $b] = [$long ** 2, ($long * $flat) ** 2];
            [$c, $s] = [cos($turn), sin($turn)];
            $cases[] = [$between(-8, 8), $between(-8, 8), $a * $c * $c + $b * $s * $s, ($a - $b) * $c * $s, $a * $s * $s + $b * $c * $c, 5.0];
        }
        $there = Reference::python(<<<'PY'
            import numpy as np
            from scipy.stats import norm
            from scipy.integrate import quad
            out=[]
            for dn,de,nn,ne,ee,T in input:
                w,v=np.linalg.eigh([[nn,ne],[ne,ee]])
                a,b=np.sqrt(np.maximum(w,0))
                m=v.T@np.array([dn,de])
                f=lambda x:norm.pdf(x,m[0],a)*(norm.cdf(np.sqrt(max(T*T-x*x,0)),m[1],b)-norm.cdf(-np.sqrt(max(T*T-x*x,0)),m[1],b))
                lo,hi=max(-T,m[0]-9*a),min(T,m[0]+9*a)
                out.append(0.0 if lo>=hi else quad(f,lo,hi,limit=400,epsabs=1e-11)[0])
            print(json.dumps(out))
            PY, $cases);
        foreach ($cases as $k => [$n, $e, $nn, $ne, $ee, $radius]) {
            self::assertEqualsWithDelta($there[$k], Conformance::inPlan($n, $e, new DeviationSpread($nn, $ne, $ee, null), $radius), 2e-7, "case $k");
        }
    }

    /** Alike in all directions it is the noncentral χ² distribution; without any spread, the figure itself; in one direction only, the normal distribution. */
    public function test_the_plain_forms(): void
    {
        $round = Reference::python('from scipy.stats import ncx2;print(json.dumps(list(ncx2.cdf([25/4,25/4,25/4],2,[1e-12,9/4,36/4]))))', null);
        foreach ([0.0, 3.0, 6.0] as $k => $off) {
            self::assertEqualsWithDelta($round[$k], Conformance::inPlan($off, 0.0, new DeviationSpread(4.0, 0.0, 4.0, null), 5.0), 1e-8);
        }
        self::assertSame([1.0, 0.0], array_map(static fn (float $off): float => Conformance::inPlan($off, 0.0, new DeviationSpread(0.0, 0.0, 0.0, null), 5.0), [4.9, 5.1]));
        self::assertEqualsWithDelta(Normal::between(-5, 5, 4, 2), Conformance::inPlan(0.0, 4.0, new DeviationSpread(0.0, 0.0, 4.0, null), 5.0), 1e-12);
    }

    public function test_what_is_close_is_called_close_by_the_guarded_rule_and_by_its_figure_by_the_simple_one(): void
    {
        $judge = static fn (float $off, Acceptance $rule, Judged $what = Judged::PlanAndHeight): ?Conformance => Conformance::judge(
            Deviation::between(new Position(0, 0, 0), new Position($off, 0, 0.001)), new DeviationSpread(1e-6, 0.0, 1e-6, 1e-6), new Tolerance(0.005, 0.005), $what, new DecisionRule($rule, 0.95),
        );
        $said = static fn (Acceptance $rule): array => array_map(static fn (float $off) => $judge($off, $rule)?->conformity, [0.0, 0.003, 0.0045, 0.0055, 0.009]);
        self::assertSame([Conformity::Inside, Conformity::Inside, Conformity::Close, Conformity::Close, Conformity::Outside], $said(Acceptance::Guarded));
        self::assertSame([Conformity::Inside, Conformity::Inside, Conformity::Inside, Conformity::Outside, Conformity::Outside], $said(Acceptance::Simple));
        $whole = $judge(0.0045, Acceptance::Guarded);
        self::assertSame($whole?->plan, $whole?->probability());
        self::assertNull($judge(0.0045, Acceptance::Guarded, Judged::Height)?->plan);
        self::assertSame(Conformity::Inside, $judge(0.0045, Acceptance::Guarded, Judged::Height)?->conformity);
    }

    public function test_at_the_tolerance_itself_it_is_even(): void
    {
        $at = Deviation::between(new Position(0, 0, 0), new Position(0, 0, 0.005));
        $of = static fn (Acceptance $rule) => Conformance::judge($at, new DeviationSpread(1e-8, 0.0, 1e-8, 2.5e-7), new Tolerance(0.005, 0.005), Judged::Height, new DecisionRule($rule, 0.95));
        self::assertEqualsWithDelta(0.5, $of(Acceptance::Simple)?->height, 1e-9);
        self::assertSame([Conformity::Inside, Conformity::Close], [$of(Acceptance::Simple)?->conformity, $of(Acceptance::Guarded)?->conformity]);
    }

    public function test_of_what_has_no_height_only_the_plan_is_judged(): void
    {
        $flat = Deviation::between(new Position(0, 0), new Position(0.001, 0));
        $of = static fn (Judged $judged) => Conformance::judge($flat, new DeviationSpread(1e-6, 0.0, 1e-6, null), new Tolerance(0.005, 0.005), $judged, new DecisionRule(Acceptance::Guarded, 0.95));
        self::assertNull($of(Judged::PlanAndHeight)?->height);
        self::assertNull($of(Judged::Height));
        // A height that nobody can vouch for is not judged, and neither is one that is not there.
        $spread = static fn (?float $hh): DeviationSpread => new DeviationSpread(1e-6, 0.0, 1e-6, $hh);
        $rule = new DecisionRule(Acceptance::Guarded, 0.95);
        $high = Deviation::between(new Position(0, 0, 0), new Position(0.001, 0, 0.001));
        self::assertNull(Conformance::judge($flat, $spread(1e-6), new Tolerance(0.005, 0.005), Judged::PlanAndHeight, $rule)?->height);
        self::assertNull(Conformance::judge($high, $spread(null), new Tolerance(0.005, 0.005), Judged::PlanAndHeight, $rule)?->height);
        self::assertNotNull(Conformance::judge($high, $spread(1e-6), new Tolerance(0.005, 0.005), Judged::PlanAndHeight, $rule)?->height);
    }

    /** 20,000 measurements from stations that are wrong as far as they may be, with wrong angles, distances, heights and poles. */
    public function test_the_spread_of_a_shot_is_that_of_simulated_ones(): void
    {
        $accuracy = new Accuracy(angle: 2e-5, distance: 0.002, distancePpm: 2.0, centring: 0.0015, height: 0.001, zenith: 3e-5);
        $plan = [[9e-6, 1e-6, -1e-8], [1e-6, 4e-6, 2e-8], [-1e-8, 2e-8, 9e-10]];
        $station = new Station(new Position(500.0, 900.0, 20.0), 1.1, 1.6);
        $reading = static fn (float $circle, float $zenith, float $slope): Sight => Sight::reduce(
            new RawReading($circle, $zenith, $slope, 0.0, 0.0), new Atmosphere(1013.25, 15.0), new Target(1.8, 0.0),
        );
        foreach ([[0.7, 1.5, 80.0], [4.0, 0.6, 45.0]] as [$circle, $zenith, $slope]) {
            $spread = ShotSpread::of($station, new Precision($plan, 4e-6), $reading($circle, $zenith, $slope), $accuracy);
            $shots = Reference::python(<<<'PY'
                import numpy as np
                r=np.random.default_rng(5); n=20000
                s=r.multivariate_normal([0,0,0],input['plan'],n)
                a=input['acc']
                print(json.dumps([s.tolist(),(r.normal(0,2e-3,n)).tolist(),r.normal(0,a['angle'],n).tolist(),r.normal(0,a['zenith'],n).tolist(),r.normal(0,1,n).tolist(),r.normal(0,a['centring'],(n,2)).tolist(),r.normal(0,0.001,n).tolist()]))
                PY, ['plan' => $plan, 'acc' => $accuracy->figures()]);
            [$stations, $high, $angle, $up, $length, $pole, $heights] = $shots;
            $found = [];
            foreach ($stations as $i => [$n, $e, $o]) {
                $from = new Station(new Position(500.0 + $n, 900.0 + $e, 20.0 + $high[$i]), 1.1 + $o, 1.6);
                $at = $from->locate($reading($circle + $angle[$i], $zenith + $up[$i], $slope + $length[$i] * hypot(0.002, 2e-6 * $slope)));
                $found[] = [$at->northing + $pole[$i][0], $at->easting + $pole[$i][1], $at->elevation + $heights[$i]];
            }
            $cov = Reference::python('import numpy as np;print(json.dumps(np.cov(np.array(input).T).tolist()))', $found);
            foreach ([[0, 0, $spread->nn], [0, 1, $spread->ne], [1, 1, $spread->ee], [0, 2, $spread->nh], [1, 2, $spread->eh], [2, 2, $spread->hh]] as [$i, $k, $stated]) {
                self::assertEqualsWithDelta($cov[$i][$k], $stated, 0.04 * sqrt($cov[$i][$i] * $cov[$k][$k]), "zenith $zenith, $i $k");
            }
        }
    }

    public function test_a_deviation_spreads_only_where_it_can_differ(): void
    {
        $shot = new ShotSpread(4e-6, 1e-6, 5e-7, 9e-6, -3e-7, 2e-6);
        $found = new Position(10.0, 20.0, 3.0);
        $point = DeviationSpread::of($shot, $found, static fn () => new Position(10.002, 20.001, 3.0));
        self::assertEqualsWithDelta([4e-6, 1e-6, 9e-6, 2e-6], [$point->nn, $point->ne, $point->ee, $point->hh], 1e-15);
        // An upright face that looks to the north-east: only square to it.
        $face = new FaceAim(new Position(10.0, 20.0, 3.0), [M_SQRT1_2, M_SQRT1_2, 0.0]);
        $square = DeviationSpread::of($shot, $found, static fn (Position $p) => $face->designedAt($p)->place);
        $along = (4e-6 + 9e-6 + 2 * 1e-6) / 2;
        self::assertEqualsWithDelta([$along / 2, $along / 2, $along / 2], [$square->nn, $square->ne, $square->ee], 1e-12);
        self::assertEqualsWithDelta(1.96 * sqrt($along), $square->plan(), 1e-9);
        self::assertEqualsWithDelta(0.0, $square->hh, 1e-15);
        // An elevation: no plan at all.
        $height = DeviationSpread::of($shot, $found, static fn (Position $p) => $p->at(3.1));
        self::assertEqualsWithDelta([0.0, 0.0, 2e-6], [$height->nn, $height->ee, $height->hh], 1e-15);
        // A slope of 1 in 2 to the north: its height follows the place.
        $slope = DeviationSpread::of($shot, $found, static fn (Position $p) => $p->at(3.0 + 0.5 * ($p->northing - 10.0)));
        self::assertEqualsWithDelta(2e-6 - 2 * 0.5 * 5e-7 + 0.25 * 4e-6, $slope->hh, 1e-15);
        // An upright axis: all of the plan.
        $axis = new AxisAim([20.0, 10.0, 0.0], [20.0, 10.0, 4.0]);
        $about = DeviationSpread::of($shot, $found, static fn (Position $p) => $axis->designedAt($p)->place);
        self::assertEqualsWithDelta([4e-6, 9e-6], [$about->nn, $about->ee], 1e-12);
        self::assertNull(DeviationSpread::of($shot, $found->at(null), static fn () => new Position(10.0, 20.0))->height());
        self::assertNull(DeviationSpread::of($shot, $found, static fn () => new Position(10.0, 20.0))->hh, 'the design has none');
        self::assertNull(DeviationSpread::of($shot, $found->at(null), static fn () => new Position(10.0, 20.0, 3.0))->hh, 'the place has none');
    }

    public function test_what_can_be_proven_at_best_is_what_a_mark_at_its_design_proves(): void
    {
        $station = new Station(new Position(1000.0, 2000.0, 50.0), 0.7, 1.6);
        $setup = new Precision([[2.25e-6, 0.0, 0.0], [0.0, 2.25e-6, 0.0], [0.0, 0.0, 2.25e-10]], 1e-6);
        $accuracy = new Accuracy(1e-5, 0.001, 1.5);
        foreach ([[1030.0, 2040.0, 51.0], [1004.0, 1998.0, 49.0], [1200.0, 1700.0, 60.0]] as $at) {
            $design = new Position(...$at);
            $same = static fn (Position $p): Position => $design;
            $best = Provable::at($station, $setup, $accuracy, 1.3, $design, $same, new Tolerance(0.004, 0.003), Judged::PlanAndHeight) ?? self::fail('nothing');
            // The same from a reading to that place, as marks are judged.
            $aim = $station->aimAt($design, 1.3);
            $sight = Sight::reduce(new RawReading($aim['circle'], $aim['zenith'], $station->mark->distanceTo($design) / sin($aim['zenith'])), (new Atmosphere)->given(0.0), new Target(1.3, 0.0));
            self::assertEqualsWithDelta(0.0, $station->locate($sight)->distanceTo($design), 1e-3, 'it is a reading to there');
            $spread = DeviationSpread::of(ShotSpread::of($station, $setup, $sight, $accuracy), $design, $same);
            $judged = Conformance::judge(Deviation::between($design, $design), $spread, new Tolerance(0.004, 0.003), Judged::PlanAndHeight, new DecisionRule);
            self::assertEqualsWithDelta([$judged?->plan, $judged?->height, $spread->plan(), $spread->height()], [$best->plan, $best->height, $best->planUncertain, $best->heightUncertain], 1e-9);
            self::assertLessThan(1.0, $best->probability());
            // Nothing found off its design proves more.
            $off = new Position($design->northing + 0.001, $design->easting - 0.001, $design->elevation);
            self::assertGreaterThan(Conformance::judge(Deviation::between($design, $off), $spread, new Tolerance(0.004, 0.003), Judged::Plan, new DecisionRule)?->plan, $best->plan);
        }
    }

    public function test_what_has_no_height_can_be_proven_in_plan_alone_and_a_line_across_it_alone(): void
    {
        $station = new Station(new Position(0.0, 0.0, 10.0), 0.0, 1.5);
        [$setup, $accuracy] = [new Precision([[4e-6, 0.0, 0.0], [0.0, 4e-6, 0.0], [0.0, 0.0, 1e-10]], 1e-6), new Accuracy(1e-5, 0.001, 1.5)];
        $flat = new Position(40.0, 0.0);
        $at = static fn (\Closure $designedAt, Judged $judged): ?Provable => Provable::at($station, $setup, $accuracy, 1.3, $flat, $designedAt, new Tolerance(0.005, 0.005), $judged);
        $point = $at(static fn (Position $p): Position => $flat, Judged::PlanAndHeight);
        self::assertNull($point?->height);
        self::assertNull($at(static fn (Position $p): Position => $flat, Judged::Height), 'nothing of it is judged');
        $line = $at(static fn (Position $p): Position => new Position($p->northing, 0.0), Judged::PlanAndHeight);
        self::assertGreaterThan($point?->plan, $line?->plan, 'along a line it can’t be off');
    }
}
