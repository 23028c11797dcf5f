<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Buildings;

use Parlay\Core\Buildings\Booleans;
use Parlay\Core\Buildings\Corners;
use Parlay\Core\Buildings\Face;
use Parlay\Core\Buildings\FaceMerging;
use Parlay\Core\Buildings\Facet;
use Parlay\Core\Buildings\FaceTriangles;
use Parlay\Core\Buildings\Loop;
use Parlay\Core\Buildings\Piercing;
use Parlay\Core\Buildings\Profile;
use Parlay\Core\Buildings\RoundedLoop;
use Parlay\Core\Buildings\SeenFromAbove;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Buildings\Sweeps;
use Parlay\Core\Buildings\TooManyFaces;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Solids held against what they must have: areas, volumes, Euler's count, and shapely where two outlines are cut with one another. */
final class SolidTest extends TestCase
{
    private static function box(float $x, float $y, float $z, float $long, float $wide, float $high): Solid
    {
        return Solid::extruded(Profile::of(new Loop([[0.0, 0.0], [$long, 0.0], [$long, $wide], [0.0, $wide]])), [0.0, 0.0, $high])
            ->moved(Frame::ofAxes([1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0], [$x, $y, $z]));
    }

    /** @return list<array{float, float}> a star about a place: not convex, and it never crosses itself */
    private static function star(int $corners, float $x, float $y, float $least, float $most): array
    {
        $star = [];
        for ($k = 0; $k < $corners; $k++) {
            $r = $least + ($most - $least) * mt_rand() / mt_getrandmax();
            $star[] = [$x + $r * cos(2 * M_PI * $k / $corners), $y + $r * sin(2 * M_PI * $k / $corners)];
        }

        return $star;
    }

    public function test_faces_with_holes_are_cut_into_triangles_of_the_same_area(): void
    {
        mt_srand(7);
        for ($i = 0; $i < 60; $i++) {
            $loops = [new Loop(self::star(5 + $i, 0.0, 0.0, 6.0, 10.0))];
            foreach ([[-2.5, 0.0], [2.5, 0.4], [0.3, 3.0]] as $k => [$x, $y]) {
                if ($k < $i % 4) {
                    $loops[] = (new Loop(self::star(3 + $i % 7, $x, $y, 0.5, 1.4)))->turning(false);
                }
            }
            $area = array_sum(array_map(static fn (Loop $l) => $l->area(), $loops));
            // Somewhere in space, tilted.
            $f = Frame::ofAxes([0.8, 0.0, 0.6], [0.0, 1.0, 0.0], [-0.6, 0.0, 0.8], [1000.0 * $i, -500.0, 30.0]);
            $corners = $numbers = [];
            foreach ($loops as $l => $loop) {
                foreach ($loop->corners as [$x, $y]) {
                    $numbers[$l][] = count($corners);
                    $corners[] = $f->point($x, $y, 0.0);
                }
            }
            $t = FaceTriangles::of($corners, new Face($numbers[0], array_slice($numbers, 1)));
            $found = 0.0;
            for ($k = 0; $k < count($t); $k += 3) {
                [$x, $y, $z] = FaceTriangles::normal($corners, array_slice($t, $k, 3));
                self::assertGreaterThanOrEqual(-1e-9, -0.6 * $x + 0.8 * $z, 'none is turned over');
                $found += sqrt($x * $x + $y * $y + $z * $z) / 2;
            }
            self::assertEqualsWithDelta($area, $found, 1e-9 * $area, "star $i");
        }
    }

    public function test_a_face_of_too_many_corners_is_not_waited_for(): void
    {
        mt_srand(1);
        $star = self::star(5_000, 0.0, 0.0, 6.0, 10.0);
        $corners = array_map(static fn (array $c): array => [$c[0], $c[1], 0.0], $star);
        $area = 0.0;
        foreach (array_chunk(FaceTriangles::of($corners, new Face(range(0, 4_999))), 3) as [$a, $b, $c]) {
            $twice = ($star[$b][0] - $star[$a][0]) * ($star[$c][1] - $star[$a][1]) - ($star[$c][0] - $star[$a][0]) * ($star[$b][1] - $star[$a][1]);
            self::assertGreaterThanOrEqual(-1e-9, $twice);
            $area += $twice / 2;
        }
        self::assertEqualsWithDelta(abs((new Loop($star))->area()), $area, 1e-6);
        $this->expectException(TooManyFaces::class);
        FaceTriangles::of($corners, new Face([...range(0, 4_998), ...array_fill(0, 200_000, 4_999)]));
    }

    /** A plate of ten thousand holes, square and round by turns, each a twentieth from the next. */
    public function test_ten_thousand_holes_are_bored_one_as_quickly_as_the_other(): void
    {
        $plate = self::box(0.0, 0.0, 0.0, 10.0, 10.0, 0.02);
        $holes = [];
        for ($i = 0; $i < 100; $i++) {
            for ($k = 0; $k < 100; $k++) {
                [$x, $y] = [0.03 + 0.1 * $i, 0.03 + 0.1 * $k];
                $holes[] = ($i + $k) % 2 === 0 ? self::box($x, $y, -0.1, 0.04, 0.04, 0.3)
                    : Solid::extruded(Profile::of(new Loop([[0.0, 0.02], [-0.02, 0.0], [0.0, -0.02], [0.02, 0.0]])), [0.0, 0.0, 0.3])->moved(Frame::ofAxes([1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0], [$x + 0.02, $y + 0.02, -0.1]));
            }
        }
        $bored = Booleans::withoutAll($plate, $holes);
        self::assertNotNull($bored);
        self::assertCount(6 + 40_000, $bored->faces);
        self::assertEqualsWithDelta(0.02 * (100.0 - 5_000 * 0.0016 - 5_000 * 0.0008), $bored->volume(), 1e-6);
    }

    /** What goes right through is pierced, what only dips in, touches an edge or a hole that is there is cut: both are the same solid. */
    public function test_pierced_or_cut_it_is_the_same(): void
    {
        mt_srand(9);
        $random = static fn (float $from, float $to): float => $from + ($to - $from) * mt_rand() / mt_getrandmax();
        $through = 0;
        for ($i = 0; $i < 60; $i++) {
            $wall = self::box(1000.0, 50.0, 3.0, 4.0, 0.3, 3.0);
            $at = [1000.0 + $random(-0.3, 3.5), 3.0 + $random(-0.3, 2.5)];
            $round = $i % 3 === 0;
            // Along the thickness, aslant, now from the front and now from the back.
            $profile = Profile::of($round ? Loop::circle(0.3, 0.3, 0.25) : new Loop([[0.0, 0.0], [0.6, 0.0], [0.6, 0.5], [0.2, 0.7]]));
            $way = [$random(-0.2, 0.2), $random(-0.2, 0.2), $i % 4 === 0 ? 0.5 : 1.0];
            $hole = Solid::extruded($profile, $way)->moved($i % 2 === 0
                ? Frame::ofAxes([1.0, 0.0, 0.0], [0.0, 0.0, 1.0], [0.0, -1.0, 0.0], [$at[0], 50.7, $at[1]]) : Frame::ofAxes([-1.0, 0.0, 0.0], [0.0, 0.0, 1.0], [0.0, 1.0, 0.0], [$at[0] + 0.6, 49.6, $at[1]]));
            [$pierced, $others] = Piercing::of($wall, [$hole]);
            $cut = Booleans::difference($wall, $hole);
            self::assertNotNull($cut);
            if ($others === []) {
                $through++;
                self::assertEqualsWithDelta($cut->volume(), $pierced->volume(), 1e-9);
                self::assertSame([count($cut->corners), count($cut->faces), count($cut->round)], [count($pierced->corners), count($pierced->faces), count($pierced->round)]);
                foreach ($cut->round as $k => $r) {
                    self::assertEqualsWithDelta([$r->radius, $r->hollow], [$pierced->round[$k]->radius, $pierced->round[$k]->hollow], 1e-9);
                    self::assertEqualsWithDelta(Space::length(Space::way($r->from, $r->to)), Space::length(Space::way($pierced->round[$k]->from, $pierced->round[$k]->to)), 1e-6);
                }
            } else {
                self::assertSame($wall, $pierced);
            }
        }
        self::assertGreaterThan(15, $through);
        self::assertLessThan(50, $through, 'some go over the edge');
    }

    public function test_boxes_cut_joined_and_intersected_have_the_volume_they_must(): void
    {
        mt_srand(3);
        $random = static fn (float $from, float $to): float => $from + ($to - $from) * mt_rand() / mt_getrandmax();
        for ($i = 0; $i < 80; $i++) {
            $a = self::box(0.0, 0.0, 0.0, 4.0, 3.0, 2.0);
            // Now and then a side lies in the other's.
            [$x, $y, $z] = [$i % 5 === 0 ? 0.0 : $random(-1.0, 3.5), $random(-1.0, 2.5), $i % 7 === 0 ? 1.0 : $random(-1.0, 1.5)];
            [$long, $wide, $high] = [$random(0.3, 3.0), $random(0.3, 3.0), $i % 7 === 0 ? 1.0 : $random(0.3, 3.0)];
            $b = self::box($x, $y, $z, $long, $wide, $high);
            $common = max(0.0, min(4.0, $x + $long) - max(0.0, $x)) * max(0.0, min(3.0, $y + $wide) - max(0.0, $y)) * max(0.0, min(2.0, $z + $high) - max(0.0, $z));
            self::assertEqualsWithDelta(24.0 - $common, Booleans::difference($a, $b)?->volume() ?? 0.0, 1e-9, "cut $i");
            self::assertEqualsWithDelta($common, Booleans::intersection($a, $b)?->volume() ?? 0.0, 1e-9, "common $i");
            self::assertEqualsWithDelta(24.0 + $long * $wide * $high - $common, Booleans::union($a, $b)?->volume() ?? 0.0, 1e-9, "joined $i");
        }
    }

    public function test_outlines_cut_with_one_another_as_shapely_cuts_them(): void
    {
        mt_srand(9);
        $pairs = [];
        for ($i = 0; $i < 25; $i++) {
            $pairs[] = [self::star(6 + $i % 9, 0.0, 0.0, 3.0, 6.0), self::star(5 + $i % 6, 1.0 + $i / 10, 0.7, 2.0, 5.0)];
        }
        $areas = Reference::python(
            "from shapely.geometry import Polygon\nprint(json.dumps([[Polygon(a).difference(Polygon(b)).area, Polygon(a).intersection(Polygon(b)).area] for a, b in input]))",
            $pairs,
        );
        foreach ($pairs as $i => [$a, $b]) {
            $prism = static fn (array $loop): Solid => Solid::extruded(Profile::of(new Loop($loop)), [0.0, 0.0, 2.0]);
            // The second is lower at both ends: its own top and underside cut as well.
            $tool = $prism($b)->moved(Frame::ofAxes([1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 0.5], [0.0, 0.0, 0.5]));
            self::assertEqualsWithDelta($areas[$i][1], Booleans::intersection($prism($a), $tool)?->volume() ?? 0.0, 1e-7, "common $i");
            self::assertEqualsWithDelta(2 * $areas[$i][0] + $areas[$i][1], Booleans::difference($prism($a), $tool)?->volume() ?? 0.0, 1e-7, "cut $i");
        }
    }

    public function test_pieces_in_one_plane_become_one_face_and_the_solid_stays_whole(): void
    {
        $left = Booleans::difference(self::box(0.0, 0.0, 0.0, 4.0, 3.0, 2.0), self::box(1.0, 1.0, -1.0, 1.0, 1.0, 4.0));
        self::assertNotNull($left);
        self::assertCount(10, $left->faces, 'six of the box, four of the shaft through it');
        self::assertCount(2, array_filter($left->faces, static fn (Face $f) => $f->holes !== []));
        self::assertCount(16, $left->corners);
        // Euler: corners - edges + faces - holes in faces = 2 less two for each way through.
        $edges = array_sum(array_map(static fn (Face $f) => count($f->outline) + array_sum(array_map(count(...), $f->holes)), $left->faces)) / 2;
        self::assertEquals(0, 16 - $edges + 10 - 2);
    }

    public function test_side_by_side_at_a_step_they_stay_apart(): void
    {
        $facets = [
            Facet::of([[0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [1.0, 1.0, 0.0], [0.0, 1.0, 0.0]], null),
            Facet::of([[1.0, 0.0, 0.0], [2.0, 0.0, 0.001], [2.0, 1.0, 0.001], [1.0, 1.0, 0.0]], null),
            Facet::of([[2.0, 0.0, 0.001], [3.0, 0.0, 0.002], [3.0, 1.0, 0.002], [2.0, 1.0, 0.001]], null),
        ];
        self::assertCount(2, FaceMerging::of(array_values(array_filter($facets)), [], false)->faces, 'a bend of a thousandth is a bend');
    }

    public function test_corners_beside_one_another_are_one_also_where_cells_meet(): void
    {
        mt_srand(11);
        $corners = new Corners;
        for ($i = 0; $i < 300; $i++) {
            // On both sides of where the cells meet, far out and below zero as well.
            $at = [8e-6 * mt_rand(-1000, 1000), 1000.0 * $i, -5.0 * $i];
            $number = $corners->number($at);
            foreach ([[1.5e-6, -1.5e-6, 1.5e-6], [-1.5e-6, 1.5e-6, -1.5e-6]] as $by) {
                self::assertSame($number, $corners->number([$at[0] + $by[0], $at[1] + $by[1], $at[2] + $by[2]]));
            }
            self::assertNotSame($number, $corners->number([$at[0] + 5e-6, $at[1], $at[2]]));
        }
        self::assertSame([], $corners->loop([[0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [1.0, 0.0, 1e-7], [0.0, 0.0, 0.0]]), 'two corners are no face');
    }

    public function test_rounded_corners_touch_both_sides(): void
    {
        $l = RoundedLoop::of([[0.0, 0.0, 0.2], [2.0, 0.0, 0.0], [2.0, 1.0, 0.3], [0.0, 1.0, 9.0]]);
        // Quarter circles of nine pieces: two are rounded, one is sharp, and one is too large for its sides.
        self::assertCount(22, $l->corners);
        self::assertSame([0.2, 0.3], array_values(array_unique(array_column($l->arcs, 2))));
        $piece = 1 - 9 * sin(M_PI / 18) / 2;
        self::assertEqualsWithDelta(2.0 - $piece * (0.04 + 0.09), $l->area(), 1e-12);
    }

    public function test_mirrored_a_solid_keeps_its_inside(): void
    {
        $profile = Profile::of(new Loop([[0.0, 0.0], [3.0, 0.0], [3.0, 1.0], [1.0, 1.0], [1.0, 2.0], [0.0, 2.0]]), [Loop::circle(0.5, 0.5, 0.2)]);
        $solid = Solid::extruded($profile, [0.5, 0.0, 2.0]);
        $volume = 2 * $profile->area();
        self::assertEqualsWithDelta($volume, $solid->volume(), 1e-12);
        $mirrored = $solid->moved(Frame::ofAxes([-1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0], [7.0, 0.0, 0.0]));
        self::assertEqualsWithDelta($volume, $mirrored->volume(), 1e-12);
        self::assertCount(1, $mirrored->round);
        self::assertTrue($mirrored->round[0]->hollow);
        self::assertSame([], $solid->moved(Frame::ofAxes([2.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0], [0.0, 0.0, 0.0]))->round, 'stretched it is round no more');
        self::assertEqualsWithDelta($volume, Solid::extruded($profile, [0.0, 0.0, -2.0])->volume(), 1e-12, 'drawn downward');
    }

    public function test_from_above_a_tilted_plate_has_sides_and_a_column_has_none_that_stand_upright(): void
    {
        $column = self::box(0.0, 0.0, 0.0, 0.3, 0.3, 4.0);
        $seen = SeenFromAbove::of($column, Frame::none());
        self::assertSame([4, 4, 0], [count($seen->top), count($seen->underside), count($seen->circles)]);
        // On its side, the face that looked ahead looks up.
        $lying = SeenFromAbove::of($column, Frame::ofAxes([0.0, 0.0, 1.0], [0.0, 1.0, 0.0], [-1.0, 0.0, 0.0], [0.0, 0.0, 0.0]));
        self::assertSame([4, 4], [count($lying->top), count($lying->underside)]);
        $pin = Sweeps::pipe([[0.0, 0.0, 0.0], [0.0, 0.0, 2.0]], 0.1, null);
        self::assertNotNull($pin);
        self::assertSame([0, 0, 1], [count(SeenFromAbove::of($pin, Frame::none())->top), count(SeenFromAbove::of($pin, Frame::none())->underside), count(SeenFromAbove::of($pin, Frame::none())->circles)]);
    }

    public function test_a_bar_bent_twice_is_as_long_as_its_way(): void
    {
        $bar = Sweeps::pipe([[0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [1.0, 1.0, 0.0], [1.0, 1.0, 1.0], [2.0, 1.0, 1.0]], 0.02, 0.015);
        self::assertNotNull($bar);
        $round = 18 * sin(2 * M_PI / 36);
        self::assertEqualsWithDelta($round * (0.02 ** 2 - 0.015 ** 2) * 4.0, $bar->volume(), 1e-12, 'mitred, what is lost within a bend is won without');
        self::assertNull(Sweeps::pipe([[1.0, 1.0, 1.0], [1.0, 1.0, 1.0]], 0.1, null));
    }

    public function test_a_corner_is_rounded_as_long_as_its_arc_has_room(): void
    {
        $square = static fn (float ...$radii): array => array_map(static fn (array $c, float $r): array => [...$c, $r], [[0.0, 0.0], [1.0, 0.0], [1.0, 1.0], [0.0, 1.0]], $radii);
        $arcs = static fn (array $corners): int => count(array_unique(array_map(static fn (array $a): string => implode(' ', array_map(static fn (float $v): string => sprintf('%.6F', $v), $a)), RoundedLoop::of($corners)->arcs)));
        self::assertSame(1, $arcs($square(0.5, 0.5, 0.5, 0.5)), 'half a side for each makes a circle');
        self::assertSame(0, $arcs($square(0.51, 0.51, 0.51, 0.51)), 'more has no room');
        self::assertSame(1, $arcs($square(0.9, 0.0, 0.0, 0.0)), 'one alone has both of its sides');
        self::assertSame(0, $arcs($square(1.1, 0.0, 0.0, 0.0)));
        self::assertEqualsWithDelta(1.0 - (1 - 9 * sin(M_PI / 18) / 2) * 0.81, RoundedLoop::of($square(0.9, 0.0, 0.0, 0.0))->area(), 1e-9, 'nine chords to a quarter');
    }

    public function test_a_face_far_from_the_origin_is_cut_as_one_beside_it(): void
    {
        foreach ([0.0, -3.0e6, 5.0e6] as $away) {
            $corners = array_map(static fn (array $c): array => [$c[0] + $away, $c[1] + 2 * $away, $c[2] - 3 * $away], [[0.0, 0.0, 0.0], [4.0, 3.0, 0.0], [4.0, 3.0, 2.0], [2.0, 1.5, 0.5], [0.0, 0.0, 2.0]]);
            $area = 0.0;
            foreach (array_chunk(FaceTriangles::of($corners, new Face([0, 1, 2, 3, 4])), 3) as [$a, $b, $c]) {
                $along = hypot($corners[$b][0] - $corners[$a][0], $corners[$b][1] - $corners[$a][1]) * ($corners[$b][0] >= $corners[$a][0] ? 1 : -1);
                $other = hypot($corners[$c][0] - $corners[$a][0], $corners[$c][1] - $corners[$a][1]) * ($corners[$c][0] >= $corners[$a][0] ? 1 : -1);
                $area += ($along * ($corners[$c][2] - $corners[$a][2]) - $other * ($corners[$b][2] - $corners[$a][2])) / 2;
            }
            self::assertEqualsWithDelta(5.0 * 2.0 - 5.0 * 1.5 / 2, $area, 1e-6, "at $away");
        }
    }

    public function test_places_half_a_tenth_of_a_millimetre_apart_are_two_in_whichever_order_they_come(): void
    {
        foreach ([[0.0, 5e-5], [5e-5, 0.0], [-3e-5, 3e-5], [1.0e6, 1.0e6 + 5e-5]] as [$first, $second]) {
            foreach ([0, 1, 2] as $axis) {
                $corners = new Corners;
                [$a, $b] = [[7.0, 7.0, 7.0], [7.0, 7.0, 7.0]];
                [$a[$axis], $b[$axis]] = [$first, $second];
                self::assertSame([0, 1, 0, 1], array_map($corners->number(...), [$a, $b, $a, $b]));
            }
        }
        $corners = new Corners;
        // On both sides of the border of a cell, and on the border itself.
        $cell = 64 * Corners::SAME;
        self::assertSame([0, 0, 0, 1], array_map($corners->number(...), [[$cell, 0.0, -$cell], [$cell - 0.9 * Corners::SAME, 0.0, -$cell], [$cell, -0.0, -$cell - 0.9 * Corners::SAME], [$cell - 2.5 * Corners::SAME, 0.0, -$cell]]));
    }

    public function test_what_is_bored_far_from_the_origin_is_as_long_as_it_was_bored(): void
    {
        $bar = self::box(300.0, -200.0, 50.0, 2.0, 0.4, 0.3);
        $tool = Solid::extruded(Profile::of(Loop::circle(0.0, 0.0, 0.05)), [0.0, 0.0, 3.0])->moved(Frame::ofAxes([1.0, 0.0, 0.0], [0.0, 0.0, -1.0], [0.0, 1.0, 0.0], [301.2, -201.0, 50.1]));
        $bored = Booleans::difference($bar, $tool);
        self::assertNotNull($bored);
        self::assertCount(1, $bored->round);
        self::assertEqualsWithDelta([[301.2, -200.0, 50.1], [301.2, -199.6, 50.1], 0.05], [$bored->round[0]->from, $bored->round[0]->to, $bored->round[0]->radius], 1e-9);
        self::assertTrue($bored->round[0]->hollow);
        self::assertEqualsWithDelta(2.0 * 0.4 * 0.3 - 18 * sin(M_PI / 18) * 0.0025 * 0.4, $bored->volume(), 1e-9);
    }

    public function test_holes_that_overlap_and_holes_that_lie_apart_leave_the_same_however_they_are_cut(): void
    {
        $plate = self::box(0.0, 0.0, 0.0, 4.0, 3.0, 0.2);
        $holes = [self::box(0.5, 0.5, -1.0, 1.0, 1.0, 2.0), self::box(1.2, 1.2, -1.0, 1.0, 1.0, 2.0), self::box(3.0, 0.5, -1.0, 0.5, 0.5, 2.0), self::box(3.0, 2.0, -1.0, 0.5, 2.0, 2.0)];
        $left = 0.2 * (12.0 - 1.0 - 1.0 + 0.3 * 0.3 - 0.25 - 0.5);
        foreach ([$holes, array_reverse($holes), [$holes[2], $holes[0], $holes[3], $holes[1]]] as $order) {
            self::assertEqualsWithDelta($left, Booleans::withoutAll($plate, $order)?->volume(), 1e-9);
        }
        self::assertNull(Booleans::withoutAll($plate, [self::box(-1.0, -1.0, -1.0, 6.0, 5.0, 2.0)]));
        self::assertSame($plate, Booleans::withoutAll($plate, []));
    }

    public function test_a_profile_led_round_a_closed_line_is_a_frame(): void
    {
        $profile = Profile::of(new Loop([[-0.05, -0.02], [0.05, -0.02], [0.05, 0.02], [-0.05, 0.02]]));
        $frame = Sweeps::led($profile, [[0.0, 0.0, 0.0], [2.0, 0.0, 0.0], [2.0, 1.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 0.0]], [0.0, 0.0, 1.0]);
        self::assertNotNull($frame);
        self::assertEqualsWithDelta(0.1 * 0.04 * 6.0, $frame->volume(), 1e-12, 'mitred at all four corners');
        self::assertCount(16, $frame->faces);
        self::assertNull(Sweeps::led($profile, [[0.0, 0.0, 0.0], [0.0, 0.0, 1.0]], [0.0, 0.0, 1.0]), 'along the direction that is to stay square to it');
        self::assertNull(Sweeps::led($profile, [[0.0, 0.0, 0.0], [0.0, 0.0, 0.0]], [1.0, 0.0, 0.0]));
    }
}
