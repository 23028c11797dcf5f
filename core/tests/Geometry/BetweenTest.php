<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Geometry;

use Parlay\Core\Geometry\Between;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Distances and angles between places, planes and lines, beside scipy's search for the nearest two places on them. */
final class BetweenTest extends TestCase
{
    public function test_the_shortest_way_is_what_a_search_finds(): void
    {
        mt_srand(3);
        $r = static fn (): float => 10 * (2 * mt_rand() / mt_getrandmax() - 1);
        $cases = [];
        for ($i = 0; $i < 30; $i++) {
            $cases[] = [[$r(), $r(), $r()], [$r(), $r(), $r()], [$r(), $r(), $r()], [$r(), $r(), $r()]];
        }
        $wanted = Reference::python(<<<'PY'
            import numpy as np
            from scipy.optimize import minimize
            found = []
            for c in input:
                p, v, q, w = map(np.array, c)
                v, w = v / np.linalg.norm(v), w / np.linalg.norm(w)
                lines = minimize(lambda t: np.sum((p + t[0] * v - q - t[1] * w) ** 2), [0, 0], tol=1e-14).fun ** .5
                line = minimize(lambda t: np.sum((p - q - t[0] * w) ** 2), [0], tol=1e-14).fun ** .5
                u1 = np.linalg.svd(w.reshape(1, 3))[2][1:]
                plane = minimize(lambda t: np.sum((p - q - t @ u1) ** 2), [0, 0], tol=1e-14).fun ** .5
                found.append([v.tolist(), w.tolist(), lines, line, plane, float(np.arccos(min(1, abs(v @ w))))])
            print(json.dumps(found))
            PY, $cases);
        foreach ($cases as $i => [$p, , $q]) {
            [$v, $w, $lines, $line, $plane, $angle] = $wanted[$i];
            self::assertEqualsWithDelta([$lines, $angle], [Between::lines($p, $v, $q, $w)->distance, Between::lines($p, $v, $q, $w)->angle], 1e-5);
            self::assertEqualsWithDelta($line, Between::placeAndLine($p, $q, $w)->distance, 1e-5);
            self::assertEqualsWithDelta($plane, Between::placeAndPlane($p, $q, $w)->distance, 1e-5);
            self::assertEqualsWithDelta([null, $angle], [Between::planes($p, $v, $q, $w)->distance, Between::planes($p, $v, $q, $w)->angle], 1e-9);
            self::assertEqualsWithDelta(M_PI_2 - $angle, Between::planeAndLine($p, $v, $q, $w)->angle, 1e-9);
        }
    }

    public function test_what_is_parallel_is_so_far_apart_and_has_no_angle(): void
    {
        $up = [0.0, 0.0, 1.0];
        $down = [0.0, 0.0, -1.0];
        self::assertSame([3.0, null], [Between::planes([0.0, 0.0, 1.0], $up, [9.0, 9.0, 4.0], $down)->distance, Between::planes([0.0, 0.0, 1.0], $up, [9.0, 9.0, 4.0], $down)->angle]);
        self::assertEqualsWithDelta(5.0, Between::lines([0.0, 0.0, 0.0], $up, [3.0, 4.0, 7.0], $down)->distance, 1e-12);
        self::assertEqualsWithDelta(2.0, Between::planeAndLine([0.0, 0.0, 2.0], $up, [5.0, 5.0, 0.0], [1.0, 0.0, 0.0])->distance, 1e-12);
        self::assertSame([[1.0, 2.0, 2.0], 3.0], [Between::places([0.0, 0.0, 0.0], [1.0, 2.0, 2.0])->way, Between::places([0.0, 0.0, 0.0], [1.0, 2.0, 2.0])->distance]);
    }
}
