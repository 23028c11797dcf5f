<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Geometry;

use Parlay\Core\Geometry\Spline;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Splines against scipy's, and what makes none. */
final class SplineTest extends TestCase
{
    private const PLACES = [[0.0, 0.0, 1.0], [3.0, 4.0, 1.5], [8.0, 4.0, 0.0], [8.0, 10.0, 2.0], [20.0, 5.0, 2.0]];

    /** @return array<string, array{list<float>|null, list<float>|null}> unit tangents at the start and at the end */
    public static function ends(): array
    {
        return [
            'straight at both' => [null, null], 'led at the start' => [[0.6, 0.8, 0.0], null],
            'led at the end' => [null, [0.0, -1.0, 0.0]], 'led at both' => [[0.0, 0.6, 0.8], [0.6, -0.8, 0.0]],
        ];
    }

    /**
     * @param  array{float, float, float}|null  $start
     * @param  array{float, float, float}|null  $end
     */
    #[DataProvider('ends')]
    public function test_the_cubic_through_places_is_scipys(?array $start, ?array $end): void
    {
        $spline = Spline::through(self::PLACES, $start, $end);
        self::assertNotNull($spline);
        $expected = Reference::python(<<<'PY'
            import numpy as np
            from scipy.interpolate import CubicSpline
            p = np.array(input["places"])
            t = np.concatenate([[0], np.cumsum(np.linalg.norm(np.diff(p, axis=0), axis=1))])
            end = lambda way: (2, np.zeros(3)) if way is None else (1, np.array(way))
            c = CubicSpline(t, p, bc_type=(end(input["start"]), end(input["end"])))
            print(json.dumps([list(c(t[-1] * k / 40)) for k in range(41)]))
            PY, ['places' => self::PLACES, 'start' => $start, 'end' => $end]);
        foreach ($expected as $k => $at) {
            self::assertEqualsWithDelta($at, $spline->at($k / 40), 1e-9, "at $k of 40");
        }
    }

    public function test_figures_that_make_no_curve_are_none(): void
    {
        $points = [[0.0, 0.0, 0.0], [1.0, 1.0, 0.0], [2.0, 0.0, 0.0], [3.0, 1.0, 0.0]];
        $knots = [0.0, 0.0, 0.0, 0.0, 1.0, 1.0, 1.0, 1.0];
        self::assertNotNull(Spline::of(3, $knots, $points));
        foreach ([
            'no degree' => [0, [0.0, 1.0, 2.0, 3.0, 4.0], $points, []], 'too high a degree' => [26, array_map(floatval(...), range(0, 54)), array_fill(0, 28, [0.0, 0.0, 0.0]), []],
            'too few points' => [4, [...$knots, 1.0], $points, []], 'a knot too few' => [3, array_slice($knots, 1), $points, []],
            'knots that go back' => [3, [0.0, 0.0, 0.0, 0.0, 1.0, 0.5, 1.0, 1.0], $points, []], 'knots all alike' => [3, array_fill(0, 8, 1.0), $points, []],
            'weights too few' => [3, $knots, $points, [1.0, 1.0, 1.0]], 'a weight of nothing' => [3, $knots, $points, [1.0, 0.0, 1.0, 1.0]],
        ] as $what => [$degree, $k, $p, $weights]) {
            self::assertNull(Spline::of($degree, $k, $p, $weights), $what);
        }
    }
}
