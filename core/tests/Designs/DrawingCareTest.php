<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Designs;

use Parlay\Core\Designs\CleanUp;
use Parlay\Core\Designs\DrawingComparison;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Designs\StrayGeometry;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** What is done to a drawing between the file and the project: cleared up, looked over for strays, compared with the revision before. */
final class DrawingCareTest extends TestCase
{
    public function test_what_is_drawn_twice_either_way_round_is_cleared_away_and_counted(): void
    {
        $layer = self::layer([[0, 0, 10, 0], [10, 0, 0, 0], [0, 0, 10, 0], [0, 5, 10, 5], [3, 3, 3, 3]]);
        $layer->add(ShapeKind::Circle, 1, 0, [1.0, 2.0, NAN, 3.0]);
        $layer->add(ShapeKind::Circle, 1, 0, [1.0, 2.0, NAN, 3.0]);
        $clean = new CleanUp;
        self::assertSame(3, $clean->of($layer)->count);
        self::assertSame([3, 1, 0], [$clean->duplicates, $clean->zeroLengths, $clean->overlaps]);
    }

    public function test_lines_along_each_other_become_one_and_lines_end_to_end_stay_two(): void
    {
        $clean = new CleanUp;
        $united = $clean->of(self::layer([[0, 0, 10, 0], [4, 0, 14, 0], [12, 0, 13, 0], [20, 0, 30, 0], [30, 0, 40, 0], [0, 1, 10, 1]]));
        self::assertSame([0, 2, 4], [$clean->duplicates, $clean->overlaps, $united->count]);
        self::assertContains(14.0, array_map(static fn (Shape $s) => $s->length(), self::shapes($united)));
    }

    /** On seeded heaps of lines along one course the united ones have the length that shapely's union has. */
    public function test_the_length_of_united_lines_is_that_of_their_union(): void
    {
        mt_srand(8);
        $heaps = [];
        for ($k = 0; $k < 40; $k++) {
            [$x, $y, $turn] = [mt_rand(0, 900) / 7, mt_rand(0, 900) / 7, mt_rand(0, 600) / 100];
            $heaps[] = array_map(static function () use ($x, $y, $turn): array {
                [$from, $to] = [mt_rand(0, 1000) / 10, mt_rand(0, 1000) / 10];

                return [$x + $from * cos($turn), $y + $from * sin($turn), $x + $to * cos($turn), $y + $to * sin($turn)];
            }, range(1, 6));
        }
        $expected = Reference::python("from shapely.geometry import LineString\nfrom shapely.ops import unary_union\nimport math\ndef "
            ."on(l, h):\n    d = math.atan2(h[0][3]-h[0][1], h[0][2]-h[0][0])\n    f = lambda x, y: "
                ."(x-h[0][0])*math.cos(d)+(y-h[0][1])*math.sin(d)\n    return LineString([(f(l[0], l[1]), 0), (f(l[2], l[3]), "
                    ."0)])\nprint(json.dumps([unary_union([on(l, h) for l in h]).length for h in input]))", $heaps);
        foreach ($heaps as $i => $heap) {
            $clean = new CleanUp;
            $sum = array_sum(array_map(static fn (Shape $s) => $s->length(), self::shapes($clean->of(self::layer($heap)))));
            self::assertEqualsWithDelta($expected[$i], $sum, 1e-4);
        }
    }

    public function test_a_forgotten_block_at_the_origin_is_stray_and_a_second_yard_is_not(): void
    {
        $lines = [];
        for ($i = 0; $i < 200; $i++) {
            $lines[] = [41_200 + $i % 20, 78_600 + intdiv($i, 20), 41_201 + $i % 20, 78_600 + intdiv($i, 20)];
        }
        self::assertSame(0, StrayGeometry::of([self::layer($lines)])->count);
        $stray = StrayGeometry::of([self::layer([...$lines, [0, 0, 1, 1]])]);
        self::assertSame([1, 'L'], [$stray->count, $stray->places[0]['layer']]);
        self::assertEqualsWithDelta([41_200.0, 78_600.0, 41_220.0, 78_609.0], $stray->body, 1e-9);
        $second = array_map(static fn (array $l) => [$l[0] + 3000, $l[1], $l[2] + 3000, $l[3]], array_slice($lines, 0, 90));
        self::assertSame(0, StrayGeometry::of([self::layer([...$lines, ...$second])])->count, 'a third of the work is no stray');
        self::assertSame(0, StrayGeometry::of([])->count);
    }

    public function test_a_revision_tells_what_was_added_what_is_gone_and_what_moved_by_how_much(): void
    {
        $before = self::layer([[0, 0, 10, 0], [0, 5, 10, 5], [50, 50, 60, 60], [1, 1, 1, 9]]);
        $after = self::layer([[0, 0, 10, 0], [0.03, 5.04, 10.03, 5.04], [70, 70, 71, 75], [1, 1, 1, 9]]);
        $c = DrawingComparison::between(['L' => $before], ['L' => $after]);
        self::assertSame([2, 1, 1, 1], [$c->unchanged, count($c->added), count($c->gone), count($c->moved)]);
        self::assertEqualsWithDelta(0.05, $c->moved[0][2], 1e-9);
        self::assertEqualsWithDelta(0.05, $c->byLayer['L']['farthest'], 1e-9);
        self::assertSame([], DrawingComparison::between(['L' => $before], ['L' => $before])->byLayer);
        $gone = DrawingComparison::between(['L' => $before], []);
        self::assertCount(4, $gone->gone, 'a layer that is no longer there');
    }

    public function test_of_many_alike_each_finds_its_own_partner(): void
    {
        $at = static fn (float $shift) => array_map(static fn (int $i) => [9 * $i + $shift, 0, 9 * $i + 1 + $shift, 0], range(0, 20));
        $c = DrawingComparison::between(['L' => self::layer($at(0.0))], ['L' => self::layer($at(0.2))]);
        self::assertSame([0, 0, 21], [count($c->added), count($c->gone), count($c->moved)]);
        self::assertEqualsWithDelta(0.2, max(array_column($c->moved, 2)), 1e-9);
    }

    /** @param  list<array{float|int, float|int, float|int, float|int}>  $lines */
    private static function layer(array $lines): DrawingLayer
    {
        $layer = new DrawingLayer('L', 0);
        foreach ($lines as $i => [$x, $y, $x2, $y2]) {
            $layer->add(ShapeKind::Line, $i, 0, [(float) $x, (float) $y, NAN, (float) $x2, (float) $y2, NAN]);
        }

        return $layer;
    }

    /** @return list<Shape> */
    private static function shapes(DrawingLayer $layer): array
    {
        return array_map($layer->shape(...), range(0, $layer->count - 1));
    }
}
