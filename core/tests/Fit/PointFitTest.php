<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Fit;

use Parlay\Core\Fit\FitKind;
use Parlay\Core\Fit\PointFit;
use Parlay\Core\Geometry\Affine;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class PointFitTest extends TestCase
{
    public function test_fits_are_those_of_scipy(): void
    {
        mt_srand(61);
        $cases = $ours = [];
        foreach (FitKind::cases() as $kind) {
            for ($i = 0; $i < 10; $i++) {
                $pairs = self::pairs(6, 0.01);
                $fit = PointFit::of($pairs, array_fill(0, 6, true), $kind);
                $cases[] = [$kind->value, array_map(
                    static fn (array $p) => [$p[0]->easting - 3e6, $p[0]->northing - 5e6, $p[1]->easting, $p[1]->northing], $pairs,
                )];
                $ours[] = array_sum(array_map(static fn (float $r) => $r * $r, $fit->residuals));
            }
        }
        $theirs = Reference::python(<<<'PY'
            import numpy as np
            from scipy.optimize import least_squares
            out = []
            for kind, rows in input:
                r = np.array(rows); r -= r.mean(0); x, y, u, v = r.T
                if kind == 'affine': f = lambda p: np.concatenate([p[0]*x+p[1]*y-u, p[2]*x+p[3]*y-v]); s = [1,0,0,1]
                elif kind == 'withScale': f = lambda p: np.concatenate([p[0]*x-p[1]*y-u, p[1]*x+p[0]*y-v]); s = [1,0]
                else: f = lambda p: np.concatenate([np.cos(p[0])*x-np.sin(p[0])*y-u, np.sin(p[0])*x+np.cos(p[0])*y-v]); s = [-0.7]
                out.append(2 * least_squares(f, s, xtol=1e-15, ftol=1e-15, gtol=1e-15).cost)
            print(json.dumps(out))
            PY, $cases);
        self::assertEqualsWithDelta($theirs, $ours, 1e-9);
    }

    public function test_there_and_back_again(): void
    {
        mt_srand(62);
        for ($i = 0; $i < 500; $i++) {
            $p = new Position(5e6 + mt_rand(0, 1000), 3e6 + mt_rand(0, 1000), 4.5);
            $about = new Position(5e6 + mt_rand(0, 1000), 3e6);
            $turn = mt_rand(0, 628) / 100;
            $back = Affine::about($about, -$turn, 1 / 1.5)->apply(Affine::about($about, $turn, 1.5)->apply($p));
            self::assertEqualsWithDelta(0.0, $back->distanceTo($p), 5e-9 * 1e1);
            $mirror = Affine::mirror($about, $turn);
            self::assertEqualsWithDelta(0.0, $mirror->apply($mirror->apply($p))->distanceTo($p), 1e-7);
            self::assertEqualsWithDelta($about->distanceTo($p), $about->distanceTo($mirror->apply($p)), 1e-7);
            self::assertSame(4.5, $back->elevation);
        }
        $turned = Affine::about(new Position(0, 0), M_PI_2)->apply(new Position(1, 0));
        self::assertEqualsWithDelta([0.0, 1.0], [$turned->northing, $turned->easting], 1e-15, 'clockwise: north goes to the east');
    }

    public function test_a_pair_that_does_not_belong_is_named_and_a_clean_fit_names_none(): void
    {
        mt_srand(63);
        $named = $false = 0;
        for ($i = 0; $i < 200; $i++) {
            $pairs = self::pairs(6, 0.003);
            $false += PointFit::of($pairs, array_fill(0, 6, true), FitKind::ShiftAndRotation)->outlier === null ? 0 : 1;
            $bad = mt_rand(0, 5);
            $pairs[$bad][1] = $pairs[$bad][1]->along(mt_rand(0, 628) / 100, 0.25);
            $named += PointFit::of($pairs, array_fill(0, 6, true), FitKind::ShiftAndRotation)->outlier === $bad ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(198, $named);
        self::assertLessThanOrEqual(4, $false);
    }

    public function test_too_few_pairs_are_said(): void
    {
        $this->expectException(NoConstruction::class);
        $this->expectExceptionMessage('An affine fit needs at least 3 pairs; 2 are used.');
        PointFit::of(self::pairs(4, 0.0), [true, false, true, false], FitKind::Affine);
    }

    /** @return list<array{Position, Position}> */
    private static function pairs(int $n, float $noise): array
    {
        $transform = Affine::about(new Position(5e6, 3e6), 0.7);
        $pairs = [];
        for ($k = 0; $k < $n; $k++) {
            $from = new Position(5e6 + mt_rand(0, 100_000) / 1000, 3e6 + mt_rand(0, 100_000) / 1000);
            $pairs[] = [$from, $transform->apply($from)->along(mt_rand(0, 628) / 100, $noise * mt_rand(0, 1000) / 1000)];
        }

        return $pairs;
    }
}
