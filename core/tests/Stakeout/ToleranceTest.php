<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Acceptance;
use Parlay\Core\Stakeout\Conformance;
use Parlay\Core\Stakeout\Conformity;
use Parlay\Core\Stakeout\DecisionRule;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\DeviationSpread;
use Parlay\Core\Stakeout\Guidance;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Core\Stakeout\Verdict;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What is allowed up from a design and what down: a floor that must not stand too high, a footing that must not lie too low. */
final class ToleranceTest extends TestCase
{
    private static function off(float $height): Deviation
    {
        return Deviation::between(new Position(0.0, 0.0, 10.0), new Position(0.0, 0.0, 10.0 + $height));
    }

    #[TestWith([0.0, Verdict::In])]
    #[TestWith([0.0005, Verdict::Out])]
    #[TestWith([-0.010, Verdict::In])]
    #[TestWith([-0.0102, Verdict::Out])]
    public function test_a_floor_of_nothing_up_and_ten_millimetres_down(float $height, Verdict $verdict): void
    {
        $floor = new Tolerance(0.02, 0.010, 0.0);
        self::assertSame($verdict, self::off($height)->verdict($floor));
        $go = Guidance::from(new Position(-20.0, 0.0, 10.0), new Position(0.0, 0.0, 10.0 + $height), new Position(0.0, 0.0, 10.0), $floor);
        self::assertSame([$verdict, $verdict === Verdict::In], [$go->verdict, $go->heightIn]);
    }

    public function test_it_may_be_more_up_than_down(): void
    {
        $footing = new Tolerance(0.02, 0.005, 0.025);
        self::assertSame([Verdict::In, Verdict::Out], [self::off(0.024)->verdict($footing), self::off(-0.006)->verdict($footing)]);
        self::assertEqualsWithDelta([0.025, 0.005, 0.010], [$footing->allowed(1.0), $footing->allowed(-1.0), $footing->middle()], 1e-15);
    }

    /** The share of a normal distribution between two limits that lie unevenly about the design (JCGM 106:2012, 7.4), against scipy. */
    public function test_how_probable_it_is_between_uneven_limits_is_as_scipy_says(): void
    {
        $cases = [];
        foreach ([-0.012, -0.009, -0.004, 0.0, 0.001] as $height) {
            foreach ([0.0005, 0.002, 0.006] as $sigma) {
                $cases[] = [$height, $sigma, 0.010, 0.001];
            }
        }
        $there = Reference::python('from scipy.stats import norm;print(json.dumps([norm.cdf(u,h,s)-norm.cdf(-d,h,s) for h,s,d,u in input]))', $cases);
        foreach ($cases as $k => [$height, $sigma, $down, $up]) {
            $judged = Conformance::judge(
                self::off($height), new DeviationSpread(1e-8, 0.0, 1e-8, $sigma ** 2), new Tolerance(0.02, $down, $up), Judged::Height, new DecisionRule(Acceptance::Guarded, 0.95),
            );
            self::assertEqualsWithDelta($there[$k], $judged?->height, 1e-12);
            self::assertSame($there[$k] >= 0.95 ? Conformity::Inside : ($there[$k] <= 0.05 ? Conformity::Outside : Conformity::Close), $judged->conformity);
        }
    }

    public function test_a_code_says_for_itself_and_the_project_for_the_rest(): void
    {
        $all = new Tolerance(0.005, 0.008, 0.002);
        self::assertEquals(new Tolerance(0.02, 0.008, 0.002), $all->but(0.02, null, null), 'heights as in the project');
        self::assertEquals(new Tolerance(0.005, 0.010), $all->but(null, 0.010, null), 'its own height holds either way');
        self::assertEquals(new Tolerance(0.005, 0.008, 0.0), $all->but(null, null, 0.0), 'down as in the project');
        self::assertEquals(new Tolerance(0.005, 0.03), $all->ofGrade(0.03), 'a grade has its own, either way');
        self::assertSame($all, $all->ofGrade(null));
    }
}
