<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Civil;

use Parlay\Core\Civil\Surfaces\Contours;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\TestCase;

final class ContoursTest extends TestCase
{
    /** On a slope that rises 1 in 4 to the north, each is a line to the east, as long as the ground is wide there. */
    public function test_on_a_plane_they_are_parallels_as_long_as_the_ground_is_wide(): void
    {
        mt_srand(4);
        $points = [new Position(0, 0, 0), new Position(0, 60, 0), new Position(80, 60, 20), new Position(80, 0, 20)];
        for ($i = 0; $i < 200; $i++) {
            $n = 80 * mt_rand() / mt_getrandmax();
            $points[] = new Position($n, 60 * mt_rand() / mt_getrandmax(), $n / 4);
        }
        $lines = Contours::of(SurfaceMaking::of($points)->surface, 0.7);
        self::assertCount(28, array_filter($lines, static fn (array $l): bool => $l[0] > 0.0 && $l[0] < 20.0));
        foreach ($lines as [$level, $pieces]) {
            if ($level <= 0.0 || $level >= 20.0) {
                continue;
            }
            $length = 0.0;
            foreach (array_chunk($pieces, 4) as [$n1, $e1, $n2, $e2]) {
                self::assertEqualsWithDelta([4 * $level, 4 * $level], [$n1, $n2], 1e-9);
                $length += abs($e2 - $e1);
            }
            self::assertEqualsWithDelta(60.0, $length, 1e-6);
        }
    }

    public function test_a_corner_that_lies_at_the_level_is_met_once(): void
    {
        $surface = SurfaceMaking::of([new Position(0, 0, 0), new Position(10, 0, 10), new Position(10, 10, 20), new Position(0, 10, 10)])->surface;
        $at = array_column(Contours::of($surface, 10.0), 1, 0);
        $length = static fn (array $pieces): float => array_sum(array_map(static fn (array $p): float => hypot($p[2] - $p[0], $p[3] - $p[1]), array_chunk($pieces, 4)));
        self::assertEqualsWithDelta(10 * M_SQRT2, $length($at[10.0]), 1e-9);
    }
}
