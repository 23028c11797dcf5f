<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Stakeout\Acceptance;
use Parlay\Core\Stakeout\BuiltTolerance;
use Parlay\Core\Stakeout\Conformity;
use Parlay\Core\Stakeout\DecisionRule;
use Parlay\Core\Stakeout\Plumb;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class BuiltToleranceTest extends TestCase
{
    private static function leaning(float $metres, float $shot): Plumb
    {
        return Plumb::ofAxis([[0.0, 0.0, 0.0], [4.0, $metres, 0.0]], $shot) ?? self::fail('no plumb');
    }

    public function test_out_of_plumb_is_judged_by_its_figure_or_by_how_probable_it_is(): void
    {
        $of = new BuiltTolerance(500.0, null);
        [$simple, $guarded] = [new DecisionRule(Acceptance::Simple, 0.95), new DecisionRule(Acceptance::Guarded, 0.95)];
        // 4 m and 1 in 500 are 8 mm.
        foreach ([[0.0079, 0.002, Conformity::Inside], [0.0081, 0.002, Conformity::Outside], [0.0, 0.002, Conformity::Inside]] as [$lean, $shot, $said]) {
            self::assertSame($said, $of->plumb(self::leaning($lean, $shot), $simple));
        }
        foreach ([0.0, 0.004, 0.0075, 0.0085, 0.012, 0.03] as $lean) {
            $plumb = self::leaning($lean, 0.001);
            $p = Reference::python('from scipy.stats import norm;m,u=input;print(json.dumps(norm.cdf(0.008,m,u/1.96)-norm.cdf(-0.008,m,u/1.96)))', [$lean, $plumb->uncertain]);
            self::assertSame($p >= 0.95 ? Conformity::Inside : ($p <= 0.05 ? Conformity::Outside : Conformity::Close), $of->plumb($plumb, $guarded), "leans $lean");
        }
        self::assertNull((new BuiltTolerance(null, null))->plumb(self::leaning(0.1, 0.001), $simple));
        self::assertNull($of->plumb(null, $simple));
    }

    public function test_a_face_is_out_only_by_more_than_the_shots_would_show_of_a_flat_one(): void
    {
        $of = new BuiltTolerance(null, 0.005);
        self::assertSame(
            [Conformity::Inside, Conformity::Inside, Conformity::Close, Conformity::Close, Conformity::Outside],
            array_map(static fn (float $bow): ?Conformity => $of->flat($bow, 0.003), [0.0, 0.005, 0.0051, 0.008, 0.0081]),
        );
        self::assertNull($of->flat(null, null));
        self::assertNull((new BuiltTolerance(null, null))->flat(0.1, 0.003));
    }
}
