<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Geometry;

use Parlay\Core\Geometry\Window;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class WindowTest extends TestCase
{
    /** 400 lines across, along, beside and within it, as shapely cuts them. */
    public function test_lines_are_cut_as_shapely_cuts_them(): void
    {
        mt_srand(5);
        $window = new Window(100.0, 200.0, 110.0, 204.0);
        $some = static fn (): array => [round(95 + 20 * mt_rand() / mt_getrandmax(), mt_rand(0, 3)), round(197 + 10 * mt_rand() / mt_getrandmax(), mt_rand(0, 3))];
        $lines = array_map(static fn (): array => [$some(), $some()], range(1, 400));
        $there = Reference::python(
            'import shapely.geometry as g;w=g.box(100,200,110,204);print(json.dumps([(lambda c: None if c.is_empty else c.length)(g.LineString(l).intersection(w)) if l[0]!=l[1] else None for l in input]))', $lines,
        );
        foreach ($lines as $k => [$a, $b]) {
            $cut = $a === $b ? null : $window->cut($a, $b);
            self::assertSame($there[$k] === null, $cut === null, json_encode([$a, $b]) ?: '');
            if ($cut !== null) {
                self::assertEqualsWithDelta($there[$k], hypot($cut[1][0] - $cut[0][0], $cut[1][1] - $cut[0][1]), 1e-9);
                foreach ($cut as [$e, $n]) {
                    self::assertTrue($e >= 100.0 - 1e-9 && $e <= 110.0 + 1e-9 && $n >= 200.0 - 1e-9 && $n <= 204.0 + 1e-9);
                }
            }
        }
    }

    public function test_a_place_alone_is_in_or_out(): void
    {
        $window = new Window(0.0, 0.0, 3.0, 4.0);
        self::assertSame([[1.0, 1.0], [1.0, 1.0]], $window->cut([1.0, 1.0], [1.0, 1.0]));
        self::assertNull($window->cut([5.0, 1.0], [5.0, 1.0]));
        self::assertSame(5.0, $window->across());
    }
}
