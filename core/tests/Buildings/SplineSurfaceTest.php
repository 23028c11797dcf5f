<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Buildings;

use Parlay\Core\Buildings\Curved\SplineSurface;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** B-spline surfaces against scipy's tensor products, and what makes none. */
final class SplineSurfaceTest extends TestCase
{
    /** @return array{list<list<array{float, float, float}>>, list<list<float>>, list<float>, list<float>} five by four points of degrees 3 and 2, with knots that stand more than once */
    private static function figures(): array
    {
        mt_srand(12);
        $points = $weights = [];
        for ($i = 0; $i < 5; $i++) {
            for ($j = 0; $j < 4; $j++) {
                $points[$i][$j] = [1000.0 + 3 * $i, -50.0 + 2 * $j, mt_rand(0, 400) / 100];
                $weights[$i][$j] = mt_rand(50, 200) / 100;
            }
        }

        return [$points, $weights, [0.0, 0.0, 0.0, 0.0, 1.5, 4.0, 4.0, 4.0, 4.0], [2.0, 2.0, 2.0, 2.5, 3.0, 3.0, 3.0]];
    }

    public function test_its_places_are_scipys_with_weights_and_without(): void
    {
        [$points, $weights, $u, $v] = self::figures();
        foreach ([[], $weights] as $with) {
            $surface = SplineSurface::of(3, 2, $points, $with, $u, $v);
            self::assertNotNull($surface);
            $at = [];
            for ($k = 0; $k <= 60; $k++) {
                $at[] = [4.0 * ($k % 11) / 10, 2.0 + ($k % 7) / 6];
            }
            $expected = Reference::python(<<<'PY'
                import numpy as np
                from scipy.interpolate import BSpline
                p = np.array(input["points"]); w = np.array(input["weights"]) if input["weights"] else np.ones(p.shape[:2])
                h = np.concatenate([p * w[:, :, None], w[:, :, None]], axis=2)
                found = []
                for a, b in input["at"]:
                    row = BSpline(np.array(input["u"]), h, 3)(a)
                    q = BSpline(np.array(input["v"]), row, 2)(b)
                    found.append(list(q[:3] / q[3]))
                print(json.dumps(found))
                PY, ['points' => $points, 'weights' => $with, 'u' => $u, 'v' => $v, 'at' => $at]);
            foreach ($at as $k => [$a, $b]) {
                self::assertEqualsWithDelta($expected[$k], $surface->at($a, $b), 1e-9, "at $a, $b");
                [$fu, $fv] = $surface->nearest($expected[$k]);
                self::assertEqualsWithDelta($expected[$k], $surface->at($fu, $fv), 1e-7, 'a place of it is its own nearest');
            }
            self::assertSame([[null, null], [null, null]], [$surface->periods(), $surface->poles()]);
            self::assertEqualsWithDelta($surface->at(0.0, 2.0), $surface->at(-1.0, 1.0), 1e-12, 'beyond its range it ends');
            self::assertEqualsWithDelta($surface->at(4.0, 3.0), $surface->at(9.0, 7.0), 1e-12);
        }
    }

    /** A ring of control points that closes on itself (quarters of a circle, each a rational one of the second degree). */
    public function test_a_surface_that_closes_goes_on_from_its_other_side(): void
    {
        $ring = [[1.0, 0.0], [1.0, 1.0], [0.0, 1.0], [-1.0, 1.0], [-1.0, 0.0], [-1.0, -1.0], [0.0, -1.0], [1.0, -1.0], [1.0, 0.0]];
        $points = array_map(static fn (array $p): array => [[...$p, 0.0], [...$p, 2.0]], $ring);
        $weights = array_map(static fn (int $k): array => array_fill(0, 2, $k % 2 === 0 ? 1.0 : M_SQRT1_2), array_keys($ring));
        $tube = SplineSurface::of(2, 1, $points, $weights, [0.0, 0.0, 0.0, 1.0, 1.0, 2.0, 2.0, 3.0, 3.0, 4.0, 4.0, 4.0], [0.0, 0.0, 1.0, 1.0]);
        self::assertNotNull($tube);
        self::assertSame([4.0, null], $tube->periods());
        self::assertEqualsWithDelta($tube->at(0.5, 0.3), $tube->at(4.5, 0.3), 1e-12);
        self::assertEqualsWithDelta($tube->at(3.75, 0.3), $tube->at(-0.25, 0.3), 1e-12);
        foreach ([0.1, 0.9, 1.7, 3.3] as $u) {
            [$x, $y, $z] = $tube->at($u, 0.25);
            self::assertEqualsWithDelta([1.0, 0.5], [hypot($x, $y), $z], 1e-12, 'it is exactly round');
        }
    }

    public function test_figures_that_make_no_surface_are_none(): void
    {
        [$points, $weights, $u, $v] = self::figures();
        $short = $points;
        array_pop($short[2]);
        $nothing = $weights;
        $nothing[1][1] = 0.0;
        foreach ([
            'a row too short' => [3, 2, $short, [], $u, $v], 'a weight of nothing' => [3, 2, $points, $nothing, $u, $v], 'rows of weights too few' => [3, 2, $points, array_slice($weights, 1), $u, $v],
            'another degree' => [2, 2, $points, [], $u, $v], 'no degree' => [0, 2, $points, [], $u, $v], 'knots that go back' => [3, 2, $points, [], $u, array_reverse($v)], 'no points' => [1, 1, [], [], [], []],
        ] as $what => $figures) {
            self::assertNull(SplineSurface::of(...$figures), $what);
        }
    }
}
