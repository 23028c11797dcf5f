<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Geometry;

use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Maps of space beside numpy's matrices. */
final class FrameTest extends TestCase
{
    public function test_chained_turned_back_and_measured_as_matrices_are(): void
    {
        mt_srand(4);
        $cases = [];
        for ($i = 0; $i < 50; $i++) {
            $cases[] = array_map(static fn (int $k): float => ($k % 4 === 3 ? 1e6 : 1.0) * (2 * mt_rand() / mt_getrandmax() - 1), range(0, 23));
        }
        $wanted = Reference::python(<<<'PY'
            import numpy as np
            found = []
            for c in input:
                m, n = (np.vstack([np.array(c[k:k + 12]).reshape(3, 4), [0, 0, 0, 1]]) for k in (0, 12))
                v, w = np.array(c[:3]), np.array(c[12:15])
                found.append([(m @ n)[:3].ravel().tolist(), np.linalg.inv(m)[:3].ravel().tolist(), np.linalg.det(m), np.cross(v, w).tolist(), float(v @ w), np.linalg.norm(v)])
            print(json.dumps(found))
            PY, $cases);
        foreach ($cases as $i => $c) {
            [$m, $n] = [new Frame(...array_slice($c, 0, 12)), new Frame(...array_slice($c, 12))];
            [$chained, $back, $determinant, $cross, $dot, $length] = $wanted[$i];
            self::assertEqualsWithDelta($chained, array_values(get_object_vars($m->after($n))), 1e-6);
            self::assertEqualsWithDelta(1.0, $m->determinant() / $determinant, 1e-9);
            // The same place, there and back, whatever a nearly flat matrix makes of the figures between.
            $inverse = $m->inverse();
            self::assertNotNull($inverse);
            self::assertEqualsWithDelta([3.0, -2.0, 5.0], $inverse->point(...$m->point(3.0, -2.0, 5.0)), 1e-5);
            self::assertEqualsWithDelta(1.0, $inverse->a / $back[0], 1e-6);
            [$v, $w] = [[$c[0], $c[1], $c[2]], [$c[12], $c[13], $c[14]]];
            self::assertEqualsWithDelta($cross, Space::cross($v, $w), 1e-12);
            self::assertEqualsWithDelta([$dot, $length], [Space::dot($v, $w), Space::length($v)], 1e-12);
        }
    }

    public function test_what_is_stretched_in_one_direction_has_no_scale(): void
    {
        self::assertNull((new Frame(2.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0))->stretch());
        self::assertEqualsWithDelta(2.0, (new Frame(0.0, -2.0, 0.0, 9.0, 2.0, 0.0, 0.0, 9.0, 0.0, 0.0, -2.0, 9.0))->stretch(), 1e-12, 'turned and mirrored it has');
        self::assertNull((new Frame(1.0, 0.5, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0))->stretch(), 'sheared it has none');
        self::assertNull((new Frame(1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0))->inverse(), 'pressed flat nothing leads back');
        self::assertNull(Space::unit([0.0, 0.0, 0.0]));
    }
}
