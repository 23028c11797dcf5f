<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Designs;

use Parlay\Core\Designs\Alike;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\LayerCrossings;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Order;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class CollectTest extends TestCase
{
    public function test_all_crossings_of_two_layers_are_those_that_shapely_finds(): void
    {
        mt_srand(41);
        $layers = [new DrawingLayer('A', 0), new DrawingLayer('B', 0)];
        $flat = [[], []];
        foreach ([0, 1] as $l) {
            for ($i = 0; $i < 400; $i++) {
                $long = $i % 10 === 0 ? 400 : 12;
                [$x, $y] = [mt_rand(0, 300_000) / 1000, mt_rand(0, 300_000) / 1000];
                $line = [$x, $y, $x + $long * mt_rand(-500, 500) / 1000, $y + $long * mt_rand(-500, 500) / 1000];
                $flat[$l][] = $line;
                $layers[$l]->add(
                    ShapeKind::Line, $i, 0, [3e6 + $line[0], 5e6 + $line[1], NAN, 3e6 + $line[2], 5e6 + $line[3], NAN, 0.0, 0.0, 0.0],
                );
            }
        }
        $theirs = Reference::python(<<<'PY'
            from shapely.geometry import LineString
            a, b = ([LineString([l[:2], l[2:]]) for l in ls] for ls in input)
            print(json.dumps(sorted([i, k, p.x, p.y] for i, s in enumerate(a) for k, t in enumerate(b) for p in [s.intersection(t)] if p.geom_type == 'Point' and not p.is_empty)))
            PY, $flat);
        $ours = array_map(
            static fn (array $c) => [$c[0], $c[1], $c[2]->easting - 3e6, $c[2]->northing - 5e6], LayerCrossings::between(...$layers),
        );
        sort($ours);
        self::assertGreaterThan(150, count($theirs));
        self::assertSame(
            array_map(static fn (array $c) => [$c[0], $c[1]], $theirs), array_map(static fn (array $c) => [$c[0], $c[1]], $ours),
        );
        foreach ($theirs as $i => $c) {
            self::assertEqualsWithDelta([$c[2], $c[3]], [$ours[$i][2], $ours[$i][3]], 1e-6);
        }
    }

    public function test_lines_cross_arcs_and_circles_and_a_layer_crosses_itself_once(): void
    {
        $layer = new DrawingLayer('A', 0);
        $layer->add(ShapeKind::Line, 1, 0, [0.0, 0.0, NAN, 20.0, 0.0, NAN, 0.0, 0.0, 0.0]);
        $layer->add(ShapeKind::Circle, 2, 0, [10.0, 0.0, NAN, 3.0, 0.0, 0.0, 0.0, 0.0, 0.0]);
        $layer->add(ShapeKind::Arc, 3, 0, [10.0, 0.0, NAN, 5.0, 0.1, 1.5, 0.0, 0.0, 0.0]);
        $layer->add(ShapeKind::Line, 4, 0, [10.0, -10.0, NAN, 10.0, 10.0, NAN, 0.0, 0.0, 0.0]);
        $found = array_map(
            static fn (array $c) => [$c[0], $c[1], round($c[2]->easting, 6), round($c[2]->northing, 6)],
            LayerCrossings::between($layer, $layer),
        );
        sort($found);
        self::assertEquals(
            [[0, 1, 7.0, 0.0], [0, 1, 13.0, 0.0], [0, 3, 10.0, 0.0], [1, 3, 10.0, -3.0], [1, 3, 10.0, 3.0], [2, 3, 10.0, 5.0]], $found,
        );
        self::assertSame([], LayerCrossings::between($layer, new DrawingLayer('empty', 0)));
    }

    public function test_ends_are_found_once_where_pieces_join(): void
    {
        $layer = self::squares([[0.0, 0.0, 4.0]]);
        self::assertCount(4, Alike::ends($layer));
        self::assertCount(3, Alike::ends($layer, [0, 1]));
        self::assertSame([], Alike::ends(new DrawingLayer('empty', 0)));
    }

    public function test_outlines_of_one_size_are_found_wherever_and_however_turned(): void
    {
        $layer = self::squares([[0.0, 0.0, 4.0, 0.0], [20.0, 0.0, 4.0, 0.3], [40.0, 0.0, 5.0, 0.0], [60.0, 5.0, 4.0, 1.0]]);
        $layer->add(ShapeKind::Line, 99, 0, [100.0, 0.0, NAN, 104.0, 0.0, NAN, 0.0, 0.0, 0.0]);
        self::assertCount(3, Alike::outlines($layer, 5));
        self::assertCount(1, Alike::outlines($layer, 8));
        $this->expectExceptionMessage('not closed');
        Alike::outlines($layer, 16);
    }

    public function test_circles_of_one_radius_only(): void
    {
        $layer = new DrawingLayer('A', 0);
        foreach ([0.15, 0.1502, 0.2] as $i => $r) {
            $layer->add(ShapeKind::Circle, $i, 0, [1.0 * $i, 0.0, NAN, $r, 0.0, 0.0, 0.0, 0.0, 0.0]);
        }
        self::assertSame([[0, 1], [0, 1, 2]], [Alike::circles($layer, 0.15), Alike::circles($layer, null)]);
    }

    public function test_orders_on_the_plan(): void
    {
        $places = [new Position(0, 0), new Position(10, 0), new Position(10, 10), new Position(0, 10)];
        $names = ['P10', 'P9', 'P1', 'P2'];
        self::assertSame([0, 1, 3, 2], Order::WestToEast->of($places));
        self::assertSame([1, 2, 0, 3], Order::NorthToSouth->of($places));
        self::assertSame([0, 1, 2, 3], Order::Clockwise->of($places));
        self::assertSame([2, 3, 1, 0], Order::ByName->of($places, $names));
        self::assertSame([3, 2, 0, 1], Order::AlongLine->of($places, [], [new Position(0, 20), new Position(0.5, -5)]));
        self::assertSame([], Order::NearestNext->of([]));
    }

    public function test_nearest_next_is_what_looking_at_all_gives(): void
    {
        mt_srand(42);
        $places = [];
        for ($i = 0; $i < 300; $i++) {
            $places[] = new Position(5e6 + mt_rand(0, 90_000) / 1000, 3e6 + mt_rand(0, 400_000) / 1000);
        }
        $left = $places;
        $order = [0];
        $at = $left[0];
        unset($left[0]);
        while ($left !== []) {
            $nearest = array_key_first($left);
            foreach ($left as $i => $p) {
                $nearest = $at->distanceTo($p) < $at->distanceTo($left[$nearest]) ? $i : $nearest;
            }
            $order[] = $nearest;
            $at = $left[$nearest];
            unset($left[$nearest]);
        }
        self::assertSame($order, Order::NearestNext->of($places));
    }

    /** @param  list<array<int, float>>  $squares  east, north, side, turn */
    private static function squares(array $squares): DrawingLayer
    {
        $layer = new DrawingLayer('A', 0);
        foreach ($squares as $square) {
            [$x, $y, $side] = $square;
            $turn = $square[3] ?? 0.0;
            $corner = static fn (int $k): array => [
                $x + $side * M_SQRT1_2 * cos($turn + $k * M_PI_2), $y + $side * M_SQRT1_2 * sin($turn + $k * M_PI_2), NAN,
            ];
            for ($k = 0; $k < 4; $k++) {
                $layer->add(ShapeKind::Line, $k, 0, [...$corner($k), ...$corner($k + 1), 0.0, 0.0, 0.0]);
            }
        }

        return $layer;
    }
}
