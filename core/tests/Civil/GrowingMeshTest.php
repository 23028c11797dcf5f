<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Civil;

use Parlay\Core\Civil\Surfaces\Delaunay;
use Parlay\Core\Civil\Surfaces\GrowingMesh;
use Parlay\Core\Civil\Surfaces\Mesh;
use Parlay\Core\Civil\Surfaces\NoSurface;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A triangulation that grows is the one that is made at once. */
final class GrowingMeshTest extends TestCase
{
    private static function mesh(GrowingMesh $growing): Mesh
    {
        return (new \ReflectionProperty($growing, 'mesh'))->getValue($growing);
    }

    /**
     * @param  list<array{float, float}>  $places
     */
    private static function grown(array $places, int $first = 3): GrowingMesh
    {
        $growing = GrowingMesh::of(array_column(array_slice($places, 0, $first), 0), array_column(array_slice($places, 0, $first), 1));
        foreach (array_slice($places, $first) as [$n, $e]) {
            $growing->add($n, $e);
        }

        return $growing;
    }

    /** @return list<list<int>> */
    private static function sorted(array $corners): array
    {
        $triangles = array_chunk($corners, 3);
        array_walk($triangles, static fn (array &$t) => sort($t));
        sort($triangles);

        return $triangles;
    }

    public function test_place_after_place_it_is_the_triangulation_of_all(): void
    {
        mt_srand(9);
        $random = static fn (): float => 300 * mt_rand() / mt_getrandmax();
        for ($i = 0; $i < 1500; $i++) {
            // Outward from a corner: many of them lie outside what is there.
            $places[] = [5_000_000 + $random() * (0.05 + $i / 1500), 400_000 + $random()];
        }
        $growing = self::grown($places);
        $whole = Delaunay::of(array_column($places, 0), array_column($places, 1));
        self::assertSame(self::sorted(array_values($whole->corner)), self::sorted($growing->corners()));
    }

    /** Rows, squares, circles, what lies on an edge, on the rim, in line beyond it, and twice. */
    #[DataProvider('awkward')]
    public function test_awkward_places_are_covered_once_and_all_is_delaunay(array $places, float $area): void
    {
        $mesh = self::mesh($growing = self::grown($places));
        $sum = $bad = 0.0;
        foreach ($mesh->twin as $edge => $twin) {
            if ($edge % 3 === 0) {
                $turn = $mesh->side($mesh->corner[$edge], $mesh->corner[$edge + 1], $mesh->corner[$edge + 2]);
                self::assertLessThan(0.0, $turn, 'every triangle has an area and turns one way');
                $sum -= $turn / 2;
            }
            if ($twin >= 0) {
                self::assertSame($edge, $mesh->twin[$twin]);
                self::assertSame($mesh->corner[$edge], $mesh->corner[Mesh::next($twin)]);
                $bad += $mesh->isInCircle($edge) ? 1 : 0;
            }
        }
        self::assertEqualsWithDelta($area, $sum, 1e-6 * $area);
        self::assertSame(0.0, $bad);
        self::assertSame(count($places), $growing->count());
    }

    public static function awkward(): \Generator
    {
        $grid = [];
        for ($i = 0; $i < 12; $i++) {
            for ($j = 0; $j < 12; $j++) {
                $grid[] = [1000.0 + $i, 2000.0 + $j];
            }
        }
        $mixed = $grid;
        mt_srand(4);
        usort($mixed, static fn () => mt_rand(-1, 1));
        yield 'a grid, mixed' => [[[1000.0, 2000.0], [1000.0, 2011.0], [1011.0, 2000.0], ...$mixed], 121.0];
        yield 'a grid, row by row' => [[[1000.0, 2000.0], [1000.0, 2001.0], [1001.0, 2000.0], ...$grid], 121.0];
        yield 'on an edge and on the rim' => [[[0.0, 0.0], [10.0, 0.0], [0.0, 10.0], [5.0, 0.0], [5.0, 5.0], [0.0, 5.0], [2.5, 2.5]], 50.0];
        yield 'in line beyond the rim' => [[[0.0, 0.0], [10.0, 0.0], [0.0, 10.0], [20.0, 0.0], [30.0, 0.0], [-5.0, 0.0]], 175.0];
        yield 'twice' => [[[0.0, 0.0], [10.0, 0.0], [0.0, 10.0], [10.0, 0.0], [3.0, 3.0], [3.0, 3.0]], 50.0];
        yield 'round' => [array_map(static fn (int $i): array => [100 * cos($i * 0.7), 100 * sin($i * 0.7)], range(0, 200)), self::hull(array_map(static fn (int $i): array => [100 * cos($i * 0.7), 100 * sin($i * 0.7)], range(0, 200)))];
    }

    /** @param  list<array{float, float}>  $round  on a circle round the origin */
    private static function hull(array $round): float
    {
        usort($round, static fn (array $a, array $b) => atan2($a[1], $a[0]) <=> atan2($b[1], $b[0]));
        $area = 0.0;
        foreach ($round as $i => [$x, $y]) {
            [$u, $v] = $round[($i + 1) % count($round)];
            $area += ($x * $v - $y * $u) / 2;
        }

        return $area;
    }

    public function test_packed_it_is_the_same_and_grows_on(): void
    {
        $growing = self::grown([[1000.0, 2000.0], [1010.0, 2000.0], [1000.0, 2010.0], [1004.0, 2003.0]]);
        $again = GrowingMesh::unpacked($growing->packed());
        self::assertSame($growing->packed(), $again->packed());
        self::assertSame([4, $growing->corners()], GrowingMesh::trianglesOf($growing->packed()));
        $growing->add(1020.5, 2020.25);
        $again->add(1020.5, 2020.25);
        self::assertSame($growing->corners(), $again->corners());
        $this->expectException(\LengthException::class);
        GrowingMesh::unpacked(substr($growing->packed(), 1));
    }

    public function test_two_places_or_a_row_are_not_begun(): void
    {
        $this->expectException(NoSurface::class);
        GrowingMesh::of([1.0, 2.0, 3.0], [1.0, 2.0, 3.0]);
    }
}
