<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Civil;

use Parlay\Core\Civil\Surfaces\Breakline;
use Parlay\Core\Civil\Surfaces\MakingRemarkKind;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\Outline;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** An outline cuts, wherever it runs: within the ground, beyond it, along its rim, through its points. Held against shapely. */
final class OutlineCutTest extends TestCase
{
    public function test_random_outlines_cut_as_exact_clipping_does(): void
    {
        mt_srand(20261201);
        $cases = [];
        for ($i = 0; $i < 500; $i++) {
            $ground = array_map(self::place(...), range(1, mt_rand(3, 25)));
            $cases[] = [$ground, match ($i % 5) {
                0 => self::star(mt_rand(3, 5), 0.999),
                1 => self::star(mt_rand(6, 30), 0.2),
                2 => self::comb(),
                3 => self::through($ground),
                default => self::star(mt_rand(5, 12), 0.5, 90.0),
            }];
        }
        $areas = Reference::python(
            "from shapely.geometry import MultiPoint, Polygon\nout=[]\nfor g,o in input:\n  p=Polygon(o)\n  out.append([MultiPoint(g).convex_hull.intersection(p).area if p.is_valid else 0, p.is_valid])\nprint(json.dumps(out))",
            $cases,
        );
        $cut = 0;
        foreach ($cases as $i => [$ground, $corners]) {
            [$expected, $isValid] = $areas[$i];
            try {
                $outline = new Outline(array_map(static fn (array $p) => new Position($p[0], $p[1]), $corners));
            } catch (NoSurface) {
                continue;
            }
            self::assertTrue($isValid, "outline $i crosses itself and was taken");
            try {
                $surface = SurfaceMaking::of(array_map(static fn (array $p) => new Position($p[0], $p[1], 7.0 + 0.1 * $p[0] - 0.05 * $p[1]), $ground), outer: $outline)->surface;
            } catch (NoSurface $e) {
                self::assertLessThan(0.01, $expected, "outline $i: {$e->getMessage()}");

                continue;
            }
            $cut++;
            self::assertEqualsWithDelta($expected, $surface->planArea(), 0.02, "outline $i");
            foreach ($surface->elevations as $k => $z) {
                self::assertEqualsWithDelta(7.0 + 0.1 * $surface->northings[$k] - 0.05 * $surface->eastings[$k], $z, 1e-4, "outline $i bends the plane");
            }
        }
        self::assertGreaterThan(380, $cut);
    }

    /** @return array{float, float} */
    private static function place(): array
    {
        return [mt_rand(0, 100_000) / 1000, mt_rand(0, 100_000) / 1000];
    }

    /** @return list<array{float, float}> round a middle, between a share of its radius and all of it */
    private static function star(int $corners, float $inner, float $radius = 60.0): array
    {
        [$n, $e] = [mt_rand(0, 100), mt_rand(0, 100)];

        return array_map(static function (int $k) use ($corners, $inner, $radius, $n, $e): array {
            $r = $radius * ($inner + (1 - $inner) * mt_rand() / mt_getrandmax());

            return [$n + $r * cos(2 * M_PI * $k / $corners), $e + $r * sin(2 * M_PI * $k / $corners)];
        }, range(0, $corners - 1));
    }

    /** @return list<array{float, float}> teeth that cross the rim many times */
    private static function comb(): array
    {
        $base = mt_rand(-20, 60);
        $corners = [[$base, -20.0]];
        for ($e = -20; $e < 120; $e += 8) {
            $corners[] = [(float) mt_rand($base + 5, 130), (float) $e];
            $corners[] = [(float) mt_rand($base + 1, $base + 4), $e + 4.0];
        }

        return [...$corners, [$base, 120.0]];
    }

    /**
     * @param  list<array{float, float}>  $ground
     * @return list<array{float, float}> by some of the ground's own points, and one beyond
     */
    private static function through(array $ground): array
    {
        $corners = [...array_slice($ground, 0, 4), [150.0, 150.0]];
        usort($corners, static fn (array $a, array $b) => atan2($a[1] - 60, $a[0] - 60) <=> atan2($b[1] - 60, $b[0] - 60));

        return $corners;
    }

    /** A boundary drawn at height 0 over ground at 10 is a line on paper: it cuts, and says so. */
    public function test_an_outline_far_from_the_ground_gives_no_heights(): void
    {
        $ground = [new Position(0, 0, 10), new Position(0, 8, 10), new Position(8, 8, 10), new Position(8, 0, 10), new Position(4, 4, 10)];
        $made = SurfaceMaking::of($ground, outer: new Outline([new Position(-1, -1, 0), new Position(-1, 9, 0), new Position(9, 9, 0), new Position(9, -1, 0)]));
        self::assertSame(MakingRemarkKind::OutlineFar, $made->remarks[0]->kind);
        self::assertEqualsWithDelta(-10.0, $made->remarks[0]->apart, 1e-9);
        self::assertSame([10.0, 10.0], [min($made->surface->elevations), max($made->surface->elevations)]);
        self::assertEqualsWithDelta(64.0, $made->surface->planArea(), 1e-6);
    }

    /** A crest that ends at an outline keeps its height there, and the two heights are said. */
    public function test_a_line_counts_before_the_outline_it_meets(): void
    {
        $outline = new Outline([new Position(0, 0, 10), new Position(0, 20, 10), new Position(20, 20, 10), new Position(20, 0, 10)]);
        $crest = new Breakline([new Position(10, 0, 12), new Position(10, 20, 12)]);
        $made = SurfaceMaking::of([new Position(5, 10, 11), new Position(15, 10, 11)], [$crest], $outline);
        $index = new SurfaceIndex($made->surface);
        foreach ([0.001, 5.0, 10.0, 19.999] as $e) {
            self::assertEqualsWithDelta(12.0, $index->at(10.0, $e)?->elevation, 1e-3);
        }
        self::assertEqualsWithDelta(400.0, $made->surface->planArea(), 1e-6);
        self::assertContains(MakingRemarkKind::OutlineMeetsLine, array_map(static fn ($r) => $r->kind, $made->remarks));
    }

    public function test_points_of_no_triangle_are_none_of_the_surface(): void
    {
        $surface = SurfaceMaking::of(
            [new Position(0, 0, 1), new Position(0, 10, 2), new Position(10, 10, 3), new Position(10, 0, 4), new Position(5, 30, 99)],
            outer: new Outline([new Position(-1, -1), new Position(-1, 9), new Position(11, 9), new Position(11, -1)]),
        )->surface;
        self::assertLessThan(30.0, max($surface->elevations));
        self::assertEqualsWithDelta(9.0, $surface->extent()[2] ?? 0.0, 1e-6);
    }

    public function test_how_far_an_outline_lies_from_the_line_it_meets_is_said_with_its_sign(): void
    {
        $outline = new Outline([new Position(0, 0, 10), new Position(0, 20, 10), new Position(20, 20, 10), new Position(20, 0, 10)]);
        $crest = new Breakline([new Position(10, 0, 12), new Position(10, 20, 12)]);
        $made = SurfaceMaking::of([new Position(5, 10, 11), new Position(15, 10, 11)], [$crest], $outline);
        $met = array_values(array_filter($made->remarks, static fn ($r) => $r->kind === MakingRemarkKind::OutlineMeetsLine));
        self::assertNotSame([], $met);
        foreach ($met as $remark) {
            self::assertEqualsWithDelta(-2.0, $remark->apart, 1e-9, 'two metres below the crest');
        }
    }
}
