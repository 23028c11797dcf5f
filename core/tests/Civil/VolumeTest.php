<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Civil;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\Element;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\Outline;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Civil\Volumes\EndAreas;
use Parlay\Core\Civil\Volumes\GridCheck;
use Parlay\Core\Civil\Volumes\Overlay;
use Parlay\Core\Civil\Volumes\SectionDifference;
use Parlay\Core\Civil\Volumes\StationRange;
use Parlay\Core\Civil\Volumes\Stockpile;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class VolumeTest extends TestCase
{
    private const NORTH = 6_000_000.0;

    private const EAST = 2_000_000.0;

    private static function at(float $n, float $e, float $z): Position
    {
        return new Position(self::NORTH + $n, self::EAST + $e, $z);
    }

    /** A square of a side at one height, beyond the solids that stand on it. */
    private static function plain(float $side = 100.0, float $z = 0.0): Surface
    {
        return SurfaceMaking::of([self::at(-$side, -$side, $z), self::at($side, -$side, $z), self::at($side, $side, $z), self::at(-$side, $side, $z)])->surface;
    }

    /** A frustum of a pyramid: h (A + a + √(Aa)) / 3, closed form. */
    public function test_a_frustum_of_a_pyramid(): void
    {
        [$below, $above, $height] = [20.0, 8.0, 6.0];
        $ring = static fn (float $half, float $z): array => [self::at(-$half, -$half, $z), self::at($half, -$half, $z), self::at($half, $half, $z), self::at(-$half, $half, $z)];
        $triangles = static fn (int $a, int $b, int $c, int $d): array => [$a, $b, $c, $a, $c, $d];
        $points = [...$ring($below / 2, 0.0), ...$ring($above / 2, $height)];
        $corners = [...$triangles(4, 5, 6, 7)];
        foreach ([0, 1, 2, 3] as $i) {
            $corners = [...$corners, ...$triangles($i, ($i + 1) % 4, 4 + ($i + 1) % 4, 4 + $i)];
        }
        $solid = new Surface(
            array_map(static fn (Position $p) => $p->northing, $points), array_map(static fn (Position $p) => $p->easting, $points),
            array_map(static fn (Position $p) => (float) $p->elevation, $points), $corners,
        );
        $expected = $height * ($below ** 2 + $above ** 2 + $below * $above) / 3;
        $volume = Overlay::between($solid, self::plain());
        self::assertEqualsWithDelta([$expected, 0.0, 400.0, 6.0], [$volume->cut, $volume->fill, $volume->area(), $volume->deepestCut], 1e-6);
        self::assertEqualsWithDelta($expected, Overlay::aboveElevation($solid, 0.0)->cut, 1e-6);
        // Against a height in its middle the upper part is cut, the lower fill.
        $half = Overlay::aboveElevation($solid, 3.0);
        self::assertEqualsWithDelta($expected - 400 * 3, $half->net(), 1e-6);
        self::assertEqualsWithDelta(3 * (14 ** 2 + 8 ** 2 + 14 * 8) / 3, $half->cut, 1e-6);
    }

    /** A cone by 720 facets: n/2 r² sin(2π/n) h/3, closed form of the pyramid it is; within 0.002 % of πr²h/3. */
    public function test_a_cone_by_its_facets(): void
    {
        [$r, $h, $facets] = [25.0, 12.0, 720];
        $points = [self::at(0, 0, $h)];
        for ($i = 0; $i < $facets; $i++) {
            $points[] = self::at($r * cos(2 * M_PI * $i / $facets), $r * sin(2 * M_PI * $i / $facets), 0.0);
        }
        $cone = SurfaceMaking::of($points)->surface;
        $expected = $facets / 2 * $r ** 2 * sin(2 * M_PI / $facets) * $h / 3;
        self::assertEqualsWithDelta($expected, Overlay::between($cone, self::plain())->cut, 1e-4);
        self::assertEqualsWithDelta(M_PI * $r ** 2 * $h / 3, $expected, 2e-5 * $expected);
        [$cut] = GridCheck::between($cone, self::plain());
        self::assertEqualsWithDelta($expected, $cut, 0.002 * $expected);
    }

    /** Two rough surfaces: the exact overlay of their triangles by shapely, piece by piece. */
    public function test_two_surfaces_as_shapely_overlays_them(): void
    {
        mt_srand(4);
        $rough = static function (int $count, float $height): Surface {
            $points = [];
            for ($i = 0; $i < $count; $i++) {
                [$n, $e] = [60.0 * mt_rand() / mt_getrandmax(), 60.0 * mt_rand() / mt_getrandmax()];
                $points[] = self::at($n, $e, $height * sin($n / 7 + $e / 9));
            }

            return SurfaceMaking::of($points)->surface;
        };
        [$a, $b] = [$rough(120, 2.0), $rough(90, 1.4)];
        $wire = static fn (Surface $s): array => [
            array_map(static fn (int $i) => [$s->northings[$i] - self::NORTH, $s->eastings[$i] - self::EAST, $s->elevations[$i]], array_keys($s->northings)),
            array_chunk($s->corners, 3),
        ];
        $expected = Reference::python(<<<'PY'
            import numpy as np
            from shapely.geometry import Polygon
            from shapely.strtree import STRtree
            (pa,ta),(pb,tb)=input
            pa=np.array(pa);pb=np.array(pb)
            def plane(p): return np.linalg.solve(np.c_[np.ones(3),p[:,:2]],p[:,2])
            B=[Polygon(pb[t][:,:2]) for t in tb]
            tree=STRtree(B)
            cut=fill=area=0.0
            for t in ta:
                P=Polygon(pa[t][:,:2])
                A=plane(pa[t])
                for hit in tree.query(P):
                    j=int(hit) if not hasattr(hit,'geom_type') else B.index(hit)
                    q=P.intersection(B[j])
                    if q.is_empty or q.geom_type!='Polygon': continue
                    D=A-plane(pb[tb[j]])
                    def vol(g):
                        # Linear over a polygon: its area times the value at its centroid.
                        return 0.0 if g.is_empty or g.area==0 else g.area*(D[0]+D[1]*g.centroid.x+D[2]*g.centroid.y)
                    n=np.hypot(D[1],D[2])
                    if n<1e-14: 
                        up=q if D[0]>0 else Polygon()
                    else:
                        ux,uy=D[1]/n,D[2]/n
                        ox,oy=-D[0]*ux/n,-D[0]*uy/n
                        L=1e4
                        up=q.intersection(Polygon([(ox-uy*L,oy+ux*L),(ox+uy*L,oy-ux*L),(ox+uy*L+ux*L,oy-ux*L+uy*L),(ox-uy*L+ux*L,oy+ux*L+uy*L)]))
                    v,u=vol(q),vol(up)
                    cut+=u; fill+=u-v; area+=q.area
            print(json.dumps([cut,fill,area]))
            PY, [$wire($a), $wire($b)]);
        $volume = Overlay::between($a, $b);
        self::assertEqualsWithDelta($expected, [$volume->cut, $volume->fill, $volume->area()], 1e-5);
        [$cut, $fill] = GridCheck::between($a, $b);
        self::assertEqualsWithDelta([$volume->cut, $volume->fill], [$cut, $fill], 0.005 * $volume->cut);
    }

    public function test_within_an_outline_and_without_common_ground(): void
    {
        $outline = new Outline([self::at(0, 0, 0)->at(null), self::at(30, 0, 0)->at(null), self::at(10, 10, 0)->at(null), self::at(0, 30, 0)->at(null)]);
        $part = Overlay::within(self::plain(50, 2.0), $outline);
        self::assertEqualsWithDelta([$outline->area(), 2 * $outline->area()], [$part->planArea(), Overlay::between($part, self::plain())->cut], 1e-5);
        $this->expectException(NoSurface::class);
        $this->expectExceptionMessageMatches('~no ground in common~');
        Overlay::between(self::plain(10), SurfaceMaking::of([self::at(50, 50, 0), self::at(60, 50, 0), self::at(60, 60, 0)])->surface);
    }

    /**
     * Ghilani & Wolf, Elementary Surveying, volumes, worked example of average end areas (recalled): areas of 711 and 515 square feet, 100 ft
     * apart, make 61 300 cubic feet: 2270 cubic yards.
     */
    public function test_average_end_areas_as_in_the_handbook(): void
    {
        [$cut, $fill] = EndAreas::volumes([[2400.0, 711.0, 0.0], [2500.0, 515.0, 0.0]]);
        self::assertEqualsWithDelta([61_300.0, 2270.0, 0.0], [$cut, round($cut / 27, 0), $fill], 0.5);
    }

    /** A prism that narrows evenly is exact by end areas where areas change evenly; a wedge of two triangles by hand. */
    public function test_areas_between_two_lines_of_a_section(): void
    {
        // A ridge of 2 m over 10 m against level ground at 1 m: above it 2.5 m² in the middle, below it twice 1.25.
        [$cut, $fill] = EndAreas::areas([[[0.0, 0.0], [5.0, 2.0], [10.0, 0.0]]], [[[0.0, 1.0], [10.0, 1.0]]]);
        self::assertEqualsWithDelta([2.5, 2.5], [$cut, $fill], 1e-12);
        self::assertEqualsWithDelta([[2.5, 1.0], [7.5, 1.0]], SectionDifference::meetings([[0.0, 0.0], [5.0, 2.0], [10.0, 0.0]], [[0.0, 1.0], [10.0, 1.0]]), 1e-12);
    }

    /**
     * Ground that rises evenly along a straight axis, 6 m wide, above elevation 0: areas 6 × height, so that end areas and the prism agree
     * whatever the interval; the last section stands at the end, once.
     */
    public function test_sections_of_a_part_of_an_alignment(): void
    {
        $axis = new Alignment([Element::between(self::at(0, 0, 0), self::at(50, 0, 0))]);
        $ramp = SurfaceMaking::of([self::at(-10, -20, -1), self::at(60, -20, 6), self::at(60, 20, 6), self::at(-10, 20, -1)])->surface;
        foreach ([[10.0, 5], [7.0, 7], [30.0, 3], [0.1, 401], [100.0, 2]] as [$interval, $count]) {
            $sections = (new StationRange($axis, 10.0, 90.0, -2.0, 4.0))->sections($ramp, 0.0, $interval);
            self::assertCount($count, $sections, "$interval");
            self::assertEqualsWithDelta([10.0, 6.0, 0.0], $sections[0], 1e-6);
            self::assertEqualsWithDelta([50.0, 30.0, 0.0], $sections[$count - 1], 1e-6, 'at the end of the alignment, not at 90');
            self::assertEqualsWithDelta([40.0 * 18.0, 0.0], EndAreas::volumes($sections), 1e-6);
        }
        $against = (new StationRange($axis, -5.0, 50.0, -2.0, 4.0))->sections($ramp, $ramp->raised(0.5), 25.0);
        self::assertEqualsWithDelta([[0.0, 0.0, 3.0], [25.0, 0.0, 3.0], [50.0, 0.0, 3.0]], $against, 1e-6);
        foreach ([[10.0, 10.05, -2.0, 4.0], [50.0, 60.0, -2.0, 4.0], [0.0, 50.0, 4.0, 4.0], [30.0, 10.0, -2.0, 4.0]] as $none) {
            self::assertSame('Between these stations and offsets there is no ground: the second must be larger.', self::refused(static fn () => new StationRange($axis, ...$none)));
        }
        foreach ([0.0, -1.0, NAN, 0.039] as $interval) {
            self::assertStringContainsString('1000 sections', self::refused(static fn () => (new StationRange($axis, 10.0, 50.0, -2.0, 4.0))->sections($ramp, 0.0, $interval)));
        }
    }

    /** The outline of a quarter of a ring, 5 m wide, against its closed form: chords of 2 m lie within it by their sagittae. */
    public function test_the_outline_of_a_part_of_an_alignment_follows_its_sides(): void
    {
        $arc = new Alignment([Element::arc(self::at(0, 0, 0), 0.0, 50 * M_PI, 1 / 100)]);
        $corners = (new StationRange($arc, 0.0, 500.0, -2.0, 3.0))->outline()->corners;
        self::assertCount(2 * 80, $corners);
        $radii = array_map(static fn (Position $p) => $p->distanceTo(self::at(0, 100, 0)), $corners);
        self::assertEqualsWithDelta([...array_fill(0, 80, 102.0), ...array_fill(0, 80, 97.0)], $radii, 1e-6);
        $twice = 0.0;
        foreach ($corners as $i => $p) {
            $q = $corners[($i + 1) % count($corners)];
            $twice += ($p->northing - self::NORTH) * ($q->easting - self::EAST) - ($q->northing - self::NORTH) * ($p->easting - self::EAST);
        }
        $chords = sin(M_PI_2 / 79) / (M_PI_2 / 79);
        self::assertEqualsWithDelta($chords * M_PI / 4 * (102 ** 2 - 97 ** 2), abs($twice / 2), 1e-6);
    }

    /** A pyramid of 3 m over a square of 20 m on sloping ground: its base is the ground at the outline, not what lies beneath. */
    public function test_a_stockpile_stands_on_what_its_outline_spans(): void
    {
        $slope = static fn (float $n): float => 0.1 * $n;
        $heap = SurfaceMaking::of([
            self::at(-50, -50, $slope(-50)), self::at(50, -50, $slope(50)), self::at(50, 50, $slope(50)), self::at(-50, 50, $slope(-50)),
            self::at(-10, -10, $slope(-10)), self::at(10, -10, $slope(10)), self::at(10, 10, $slope(10)), self::at(-10, 10, $slope(-10)),
            self::at(0, 0, 3.0),
        ])->surface;
        $outline = new Outline([self::at(-10, -10, 0), self::at(10, -10, 0), self::at(10, 10, 0), self::at(-10, 10, 0)]);
        $volume = Overlay::between(Overlay::within($heap, $outline), Stockpile::base($heap, $outline));
        self::assertEqualsWithDelta([20 * 20 * 3.0 / 3, 0.0], [$volume->cut, $volume->fill], 1e-6);
        $off = new Outline([self::at(-60, -10, 0), self::at(10, -10, 0), self::at(10, 10, 0)]);
        self::assertStringContainsString('leaves the surface', self::refused(static fn () => Stockpile::base($heap, $off)));
    }

    private static function refused(\Closure $try): string
    {
        try {
            $try();
        } catch (NoSurface $e) {
            return $e->getMessage();
        }
        self::fail('It was taken.');
    }
}
