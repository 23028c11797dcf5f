<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Civil;

use Parlay\Core\Civil\Surfaces\AlongSurface;
use Parlay\Core\Civil\Surfaces\Breakline;
use Parlay\Core\Civil\Surfaces\Constraints;
use Parlay\Core\Civil\Surfaces\Contours;
use Parlay\Core\Civil\Surfaces\Delaunay;
use Parlay\Core\Civil\Surfaces\Heights;
use Parlay\Core\Civil\Surfaces\MakingRemark;
use Parlay\Core\Civil\Surfaces\MakingRemarkKind;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\Outline;
use Parlay\Core\Civil\Surfaces\PackedSurface;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceEditing;
use Parlay\Core\Civil\Surfaces\SurfaceFaults;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SurfaceTest extends TestCase
{
    /** @return list<Position> */
    private static function scattered(int $count, float $size, int $seed, float $north = 5_000_000, float $east = 400_000): array
    {
        mt_srand($seed);
        $random = static fn (): float => $size * mt_rand() / mt_getrandmax();
        $points = [];
        for ($i = 0; $i < $count; $i++) {
            [$n, $e] = [$random(), $random()];
            $points[] = new Position($north + $n, $east + $e, 20 + 3 * sin($n / 17) + 2 * cos($e / 11));
        }

        return $points;
    }

    private static function surface(array $points): Surface
    {
        return SurfaceMaking::of($points)->surface;
    }

    /** The same triangles as scipy's, of points in general position. */
    public function test_the_triangulation_is_that_of_scipy(): void
    {
        $points = self::scattered(3000, 200, 3);
        $surface = self::surface($points);
        $expected = Reference::python(
            "from scipy.spatial import Delaunay\nprint(json.dumps(sorted(sorted(map(int,t)) for t in Delaunay(input).simplices)))",
            array_map(static fn (Position $p) => [$p->northing - 5_000_000, $p->easting - 400_000], $points),
        );
        $own = [];
        foreach (array_chunk($surface->corners, 3) as $t) {
            sort($t);
            $own[] = $t;
        }
        sort($own);
        // Flat slivers at the hull may be told otherwise by rounding.
        $differ = count(array_filter($own, static fn (array $t) => ! in_array($t, $expected, true)));
        self::assertLessThanOrEqual(3, $differ);
        self::assertEqualsWithDelta(count($expected), count($own), 3);
    }

    /** Grids, rows and circles are where a triangulation fails: it covers its hull once, and turns one way. */
    #[DataProvider('awkward')]
    public function test_awkward_points_are_covered_once(array $points, float $area): void
    {
        $surface = self::surface($points);
        self::assertEqualsWithDelta($area, $surface->planArea(), 1e-6 * $area);
        self::assertSame(0, SurfaceFaults::of($surface)->overlapping);
    }

    public static function awkward(): array
    {
        $grid = [];
        for ($i = 0; $i < 40; $i++) {
            for ($j = 0; $j < 30; $j++) {
                $grid[] = new Position(7_000_000 + $i * 2.5, 3_000_000 + $j * 2.5, 1.0);
            }
        }
        $circle = array_map(static fn (int $i) => new Position(100 * cos($i * M_PI / 90), 100 * sin($i * M_PI / 90), 0.0), range(0, 179));
        $rows = [];
        for ($i = 0; $i < 200; $i++) {
            $rows[] = new Position(0.0, $i * 0.5, 0.0);
            $rows[] = new Position(0.01, $i * 0.5 + 0.25, 0.0);
        }

        return [
            'a grid' => [$grid, 39 * 2.5 * 29 * 2.5], 'a circle' => [$circle, 180 * 0.5 * 1e4 * sin(M_PI / 90)],
            'two rows' => [$rows, 0.01 * 99.5], 'the same point often' => [[...array_fill(0, 5, new Position(0, 0, 1)), new Position(0, 1, 1), new Position(1, 0, 1)], 0.5],
        ];
    }

    public function test_too_few_or_in_one_line_is_refused(): void
    {
        foreach ([[], [new Position(0, 0, 0)], [new Position(0, 0, 0), new Position(1, 1, 0), new Position(2, 2, 0), new Position(1e6, 1e6, 0)]] as $points) {
            try {
                self::surface($points);
                self::fail('no surface');
            } catch (NoSurface $e) {
                self::assertMatchesRegularExpression('~three points or more|one line~', $e->getMessage());
            }
        }
    }

    /** Every edge that is not wanted has no point within the circle of its triangle, and every breakline is an edge. */
    public function test_breaklines_are_edges_and_the_rest_stays_delaunay(): void
    {
        $points = self::scattered(800, 100, 5, 0, 0);
        $x = array_map(static fn (Position $p) => $p->northing, $points);
        $y = array_map(static fn (Position $p) => $p->easting, $points);
        $mesh = Delaunay::of($x, $y);
        $constraints = new Constraints($mesh);
        $wanted = [[0, 1], [2, 3], [4, 5], [6, 7]];
        $added = [];
        foreach ($wanted as [$a, $b]) {
            try {
                $constraints->add($a, $b);
                $added[] = [$a, $b];
            } catch (NoSurface $e) {
                self::assertStringContainsString('cross', $e->getMessage());
            }
        }
        self::assertGreaterThan(1, count($added));
        foreach ($added as [$a, $b]) {
            $edge = $constraints->find($a, $b);
            self::assertNotNull($edge);
            self::assertTrue($constraints->isFixed($edge));
        }
        $bad = 0;
        foreach ($mesh->twin as $edge => $twin) {
            $bad += $twin >= 0 && ! $constraints->isFixed($edge) && $mesh->isInCircle($edge) ? 1 : 0;
            self::assertTrue($twin < 0 || $mesh->twin[$twin] === $edge);
        }
        self::assertSame(0, $bad);
        self::assertEqualsWithDelta((new Surface($x, $y, $x, Delaunay::of($x, $y)->corner))->planArea(), (new Surface($x, $y, $x, $mesh->corner))->planArea(), 1e-6);
    }

    /** A roof: its ridge is kept as a breakline, whatever the points beside it would join to. */
    public function test_a_breakline_holds_its_heights(): void
    {
        $corners = [new Position(0, 0, 0), new Position(10, 0, 0), new Position(10, 30, 0), new Position(0, 30, 0)];
        $ridge = new Breakline([new Position(5, 0, 5), new Position(5, 30, 5)]);
        $index = new SurfaceIndex(SurfaceMaking::of($corners, [$ridge])->surface);
        foreach ([1.0, 13.3, 29.0] as $along) {
            self::assertEqualsWithDelta([5.0, 2.0], [$index->at(5.0, $along)?->elevation, $index->at(2.0, $along)?->elevation], 1e-9);
        }
    }

    public function test_lines_that_cross_and_points_with_two_heights_are_said(): void
    {
        $made = SurfaceMaking::of(
            [new Position(0, 0, 1), new Position(20, 0, 1), new Position(20, 20, 1), new Position(0, 20, 1), new Position(20, 20, 1.4)],
            [new Breakline([new Position(2, 2, 1), new Position(18, 18, 1)]), new Breakline([new Position(2, 18, 2), new Position(18, 2, 2)])],
        );
        self::assertSame([MakingRemarkKind::TwoHeights, MakingRemarkKind::LinesCross], array_map(static fn (MakingRemark $r) => $r->kind, $made->remarks));
        self::assertEqualsWithDelta([0.4, 1.0, 10.0], [$made->remarks[0]->apart, $made->remarks[1]->apart, $made->remarks[1]->at->northing], 1e-9);
        self::assertEqualsWithDelta(1.5, (new SurfaceIndex($made->surface))->at(10, 10)?->elevation, 1e-9);
    }

    public function test_an_outline_cuts_and_holes_are_left_open(): void
    {
        $points = self::scattered(500, 100, 7, 0, 0);
        $outer = new Outline([new Position(20, 20), new Position(80, 20), new Position(50, 50), new Position(80, 80), new Position(20, 80)]);
        $hole = new Outline([new Position(30, 30), new Position(40, 30), new Position(40, 40), new Position(30, 40)]);
        $whole = new SurfaceIndex(self::surface($points));
        $cut = SurfaceMaking::of($points, [], $outer, [$hole])->surface;
        self::assertEqualsWithDelta($outer->area() - 100, $cut->planArea(), 1e-6);
        $index = new SurfaceIndex($cut);
        self::assertNull($index->at(35, 35));
        self::assertNull($index->at(75, 50));
        // Away from the rim nothing has changed.
        self::assertEqualsWithDelta($whole->at(25, 65)?->elevation, $index->at(25, 65)?->elevation, 0.3);
        $long = SurfaceMaking::of([...$points, new Position(50, 400, 5)], longestEdge: 30.0)->surface;
        self::assertLessThan(10_100, $long->planArea());
    }

    public function test_an_outline_that_crosses_itself_is_refused_with_the_place(): void
    {
        $this->expectException(NoSurface::class);
        $this->expectExceptionMessageMatches('~crosses itself near 5\.000, 5\.000~');
        new Outline([new Position(0, 0), new Position(10, 10), new Position(10, 0), new Position(0, 10)]);
    }

    /** The same heights as scipy's linear interpolation, by all three ways of asking. */
    public function test_heights_are_those_of_scipy(): void
    {
        $points = self::scattered(2000, 100, 9, 0, 0);
        $surface = self::surface($points);
        $index = new SurfaceIndex($surface);
        $packed = PackedSurface::of($surface);
        mt_srand(1);
        $asked = array_map(static fn () => [2 + 96 * mt_rand() / mt_getrandmax(), 2 + 96 * mt_rand() / mt_getrandmax()], range(1, 500));
        $expected = Reference::python(
            "from scipy.interpolate import LinearNDInterpolator\np,z,q=input\nprint(json.dumps(LinearNDInterpolator(p,z)(q).tolist()))",
            [array_map(static fn (Position $p) => [$p->northing, $p->easting], $points), array_map(static fn (Position $p) => $p->elevation, $points), $asked],
        );
        $many = (new Heights($index))->of(array_column($asked, 0), array_column($asked, 1));
        foreach ($asked as $i => [$n, $e]) {
            self::assertEqualsWithDelta($expected[$i], $many[$i], 1e-9);
            self::assertEqualsWithDelta($expected[$i], $index->at($n, $e)?->elevation, 1e-9);
            self::assertEqualsWithDelta($expected[$i], $packed->at($n, $e)?->elevation, 1e-9);
        }
        self::assertNull($packed->at(-1, 50));
        self::assertNan((new Heights($index))->of([500.0], [500.0])[0]);
    }

    public function test_packed_it_is_the_same_surface_and_parts_of_it_can_be_had(): void
    {
        $surface = self::surface(self::scattered(3000, 300, 11));
        $packed = PackedSurface::of($surface);
        $tiles = iterator_to_array($packed->tilesToKeep(), false);
        $again = PackedSurface::kept($packed->head, static fn (int $i): string => $tiles[$i])->surface();
        self::assertSame($surface->count(), $again->count());
        self::assertSame($surface->northings, $again->northings);
        self::assertEqualsWithDelta($surface->slopeArea(), $again->slopeArea(), 1e-6);
        $near = $packed->near(5_000_100, 400_100, 5_000_110, 400_110);
        self::assertLessThan($surface->count() / 2, $near->count());
        self::assertEqualsWithDelta(
            (new SurfaceIndex($surface))->at(5_000_105, 400_105)?->elevation, (new SurfaceIndex($near))->at(5_000_105, 400_105)?->elevation, 1e-12,
        );
        $this->expectException(\DomainException::class);
        PackedSurface::kept(substr($packed->head, 0, -3), static fn () => '');
    }

    /** The 87 by 61 grid `volcano` of R's datasets: 10 m cells, heights 94 to 195, their sum 690 907 (R's documentation). */
    public function test_the_volcano_of_r(): void
    {
        $heights = json_decode((string) shell_exec("Rscript -e 'cat(\"[\",paste(as.vector(t(volcano)),collapse=\",\"),\"]\",sep=\"\")' 2>/dev/null"), true);
        self::assertIsArray($heights);
        self::assertSame([87 * 61, 690_907, 94, 195], [count($heights), array_sum($heights), min($heights), max($heights)]);
        $points = [];
        foreach ($heights as $i => $z) {
            $points[] = new Position(10.0 * intdiv($i, 61), 10.0 * ($i % 61), (float) $z);
        }
        $surface = self::surface($points);
        self::assertEqualsWithDelta(860 * 600, $surface->planArea(), 1e-6);
        $lines = Contours::of($surface, 10.0);
        self::assertSame([100.0, 190.0], [$lines[0][0], $lines[count($lines) - 1][0]]);
        foreach ($lines as [$level, $pieces]) {
            for ($i = 0; $i < min(200, count($pieces)); $i += 2) {
                $on = (new SurfaceIndex($surface))->at($pieces[$i], $pieces[$i + 1])?->elevation;
                if ($on !== null) {
                    self::assertEqualsWithDelta($level, $on, 1e-6);
                }
                if ($i > 20) {
                    break;
                }
            }
        }
    }

    public function test_along_a_way_its_heights_are_told_at_every_edge(): void
    {
        $surface = self::surface([new Position(0, 0, 0), new Position(10, 0, 0), new Position(10, 10, 10), new Position(0, 10, 10), new Position(5, 5, 0)]);
        [$run] = AlongSurface::of(new SurfaceIndex($surface), new Position(5, -2), new Position(5, 12));
        self::assertEqualsWithDelta([[2.0, 0.0], [7.0, 0.0], [12.0, 10.0]], $run, 1e-6);
        self::assertSame([], AlongSurface::of(new SurfaceIndex($surface), new Position(50, 0), new Position(50, 10)));
    }

    public function test_an_edge_is_swapped_and_a_triangle_taken_out(): void
    {
        $surface = new Surface([0.0, 10.0, 10.0, 0.0], [0.0, 0.0, 10.0, 10.0], [0.0, 0.0, 0.0, 8.0], [0, 2, 1, 0, 3, 2]);
        self::assertEqualsWithDelta(0.0, (new SurfaceIndex($surface))->at(6, 4)?->elevation, 1e-9);
        $swapped = SurfaceEditing::swapped($surface, 5.1, 4.9);
        self::assertEqualsWithDelta([4.0, 100.0], [(new SurfaceIndex($swapped))->at(5, 5)?->elevation, $swapped->planArea()], 1e-9);
        self::assertEqualsWithDelta(50.0, SurfaceEditing::withoutTriangle($surface, 7, 2)->planArea(), 1e-9);
        foreach ([static fn () => SurfaceEditing::swapped($surface, 9.9, 5), static fn () => SurfaceEditing::withoutTriangle($surface, 50, 5)] as $try) {
            try {
                $try();
                self::fail('refused');
            } catch (NoSurface $e) {
                self::assertMatchesRegularExpression('~can’t be swapped|no triangle~', $e->getMessage());
            }
        }
    }

    /** A tile of a packed project may have been written by anybody. */
    public function test_a_tile_of_what_is_no_number_or_no_triangle_is_refused(): void
    {
        $tile = static fn (array $coordinates, array $corners): string => pack('V2', 3, 1).pack('V3', 0, 1, 2).pack('e9', ...$coordinates).pack('v3', ...$corners);
        $good = [0.0, 0.0, 1.0, 10.0, 0.0, 1.0, 0.0, 10.0, 1.0];
        PackedSurface::checkTile($tile($good, [0, 1, 2]));
        $bad = [$tile($good, [0, 1, 3]), substr($tile($good, [0, 1, 2]), 0, -1), '', pack('V2', 70_000, 0)];
        foreach ([NAN, INF, -INF, 1e9] as $wrong) {
            foreach ([0, 4, 8] as $place) {
                $bad[] = $tile([$place => $wrong] + $good, [0, 1, 2]);
            }
        }
        $refused = 0;
        foreach ($bad as $one) {
            try {
                PackedSurface::checkTile($one);
            } catch (\DomainException) {
                $refused++;
            }
        }
        self::assertSame(16, $refused);
    }
}
