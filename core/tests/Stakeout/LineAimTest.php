<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Cogo\CurveElement;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\PackedPolyline;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Aims\ElevationAim;
use Parlay\Core\Stakeout\Aims\LineAim;
use Parlay\Core\Stakeout\Aims\LineHeights;
use Parlay\Core\Stakeout\Aims\PlaceAim;
use Parlay\Core\Stakeout\Aims\Reach;
use Parlay\Core\Stakeout\Aims\WallAim;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Guidance;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\OnWall;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Core\Stakeout\Verdict;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class LineAimTest extends TestCase
{
    /** A wall of ten metres to the east, rising half a metre, worked by hand. */
    public function test_beside_before_and_beyond_a_straight_line(): void
    {
        $wall = self::aim(Polyline::through([new Position(100, 200, 5.0), new Position(100, 210, 5.5)]));
        $beside = $wall->designedAt(new Position(99.7, 204.0, 5.1));
        self::assertSame(Reach::Beside, $beside->on?->reach);
        self::assertEqualsWithDelta([4.0, 6.0, 0.3], [$beside->on->along, $beside->on->toEnd, $beside->on->offset], 1e-12);
        self::assertEqualsWithDelta([100.0, 204.0, 5.2], self::figures($beside->place), 1e-12);

        $before = $wall->designedAt(new Position(100.2, 197.0))->on;
        self::assertSame(Reach::BeforeStart, $before?->reach);
        self::assertEqualsWithDelta([-3.0, 13.0, -0.2], [$before->along, $before->toEnd, $before->offset], 1e-12);

        $beyond = $wall->designedAt(new Position(99.0, 212.0));
        self::assertSame(Reach::BeyondEnd, $beyond->on?->reach);
        self::assertEqualsWithDelta([12.0, -2.0, 1.0], [$beyond->on->along, $beyond->on->toEnd, $beyond->on->offset], 1e-12);
        // The grade goes on.
        self::assertEqualsWithDelta(5.6, $beyond->place->elevation, 1e-12);
    }

    /** Radius 100, a quarter turn: length 157.080, chord 141.421 (any handbook of route surveying; 100·π/2 and 100·√2). */
    public function test_along_an_arc_and_on_round_it_beyond_its_ends(): void
    {
        $arc = Leg::leaving(new Position(0, 0), 0.0, 100.0, M_PI_2);
        self::assertEqualsWithDelta(141.421, $arc->from->distanceTo($arc->to), 5e-4);
        self::assertEqualsWithDelta(141.421, 100 * CurveElement::Chord->ofUnit(M_PI_2), 5e-4);
        $aim = self::aim(Polyline::of([$arc]));
        $centre = new Position(0, 100);
        $at = static fn (float $turned, float $radius) => $aim->designedAt($centre->along(-M_PI_2 + $turned, $radius))->on;

        $half = $at(M_PI / 4, 98.0);
        self::assertEqualsWithDelta([78.540, 78.540, 2.0], [$half?->along, $half?->toEnd, $half?->offset], 5e-4);
        self::assertEqualsWithDelta(100.0, $half?->radius, 1e-9);
        // Ten degrees beyond the end, and before the start, are 17.453 m along the same circle.
        $beyond = $at(M_PI_2 + deg2rad(10), 101.0);
        self::assertSame(Reach::BeyondEnd, $beyond?->reach);
        self::assertEqualsWithDelta([174.533, -17.453, -1.0], [$beyond->along, $beyond->toEnd, $beyond->offset], 5e-4);
        self::assertEqualsWithDelta(M_PI_2 + deg2rad(10), $beyond->azimuth, 1e-9);
        $before = $at(-deg2rad(10), 101.0);
        self::assertSame(Reach::BeforeStart, $before?->reach);
        self::assertEqualsWithDelta([-17.453, 174.533, -1.0], [$before->along, $before->toEnd, $before->offset], 5e-4);
        self::assertEqualsWithDelta(2 * M_PI - deg2rad(10), $before->azimuth, 1e-9);
    }

    public function test_a_circle_has_neither_start_nor_end_to_go_beyond(): void
    {
        $circle = self::aim(Polyline::of([
            new Leg(new Position(10, 0), new Position(-10, 0), M_PI), new Leg(new Position(-10, 0), new Position(10, 0), M_PI),
        ]));
        foreach ([0.001, 1.0, 3.14, 4.5, 6.2831] as $turned) {
            $on = $circle->designedAt((new Position(0, 0))->along($turned, 10.5))->on;
            self::assertSame(Reach::Beside, $on?->reach);
            self::assertEqualsWithDelta([10 * $turned, -0.5], [$on->along, $on->offset], 1e-9);
        }
        // In the middle all of it is as near.
        self::assertEqualsWithDelta(10.0, abs((float) $circle->designedAt(new Position(0, 0))->on?->offset), 1e-9);
    }

    public function test_at_a_corner_the_side_is_the_outside_of_the_turn(): void
    {
        // North, then sharply back to the south-east: a turn to the right by 150 degrees.
        $aim = self::aim(Polyline::through([new Position(0, 0), new Position(10, 0), (new Position(10, 0))->along(deg2rad(150), 10)]));
        foreach ([-80, -30, 0, 30, 55] as $degrees) {
            $on = $aim->designedAt((new Position(10, 0))->along(deg2rad($degrees), 2.0))->on;
            self::assertEqualsWithDelta([10.0, -2.0], [$on?->along, $on?->offset], 1e-9, "$degrees");
        }
    }

    public function test_distances_offsets_and_heights_of_polylines_agree_with_shapely_and_numpy(): void
    {
        mt_srand(131);
        $cases = [];
        for ($i = 0; $i < 40; $i++) {
            $p = new Position(5e6, 3e6, 10.0);
            $corners = [$p];
            $azimuth = mt_rand(0, 628) / 100;
            for ($k = 0; $k < 90; $k++) {
                $azimuth += mt_rand(-60, 60) / 100;
                $corners[] = $p = $p->along($azimuth, mt_rand(5, 3000) / 100, mt_rand(0, 2000) / 100);
            }
            $on = Polyline::through($corners)->at(mt_rand(0, 100_000) / 100, mt_rand(-900, 900) / 100);
            $cases[] = [$corners, $on];
        }
        $flat = static fn (Position $p) => [$p->easting - 3e6, $p->northing - 5e6, $p->elevation];
        $theirs = Reference::python(<<<'PYTHON'
            from shapely.geometry import LineString, Point
            import numpy
            def one(corners, p):
                line = LineString([c[:2] for c in corners])
                along = line.project(Point(p))
                reach = [LineString([c[:2] for c in corners[:k+1]]).length if k else 0.0 for k in range(len(corners))]
                return [along, line.distance(Point(p)), float(numpy.interp(along, reach, [c[2] for c in corners])), line.length]
            print(json.dumps([one(c, p) for c, p in input]))
            PYTHON, array_map(static fn (array $c) => [array_map($flat, $c[0]), array_slice($flat($c[1]), 0, 2)], $cases));
        $beside = 0;
        foreach ($cases as $i => [$corners, $p]) {
            $designed = self::aim(Polyline::through($corners))->designedAt($p);
            [$along, $distance, $height, $length] = $theirs[$i];
            if ($designed->on?->reach !== Reach::Beside) {
                // Shapely stays at the end; ours goes on from there.
                self::assertTrue($along < 1e-6 || $along > $length - 1e-6);

                continue;
            }
            $beside++;
            self::assertEqualsWithDelta($along, $designed->on->along, 1e-6, "case $i");
            self::assertEqualsWithDelta($distance, abs($designed->on->offset), 1e-6, "case $i");
            self::assertEqualsWithDelta($height, $designed->place->elevation, 1e-6, "case $i");
        }
        self::assertGreaterThan(30, $beside);
    }

    public function test_parallels_of_lines_with_arcs_lie_as_far_off_as_shapely_says(): void
    {
        $arc = Leg::leaving(new Position(0, 40), M_PI_2, 25.0, 1.2);
        $line = Polyline::of([new Leg(new Position(0, 0), new Position(0, 40)), $arc, new Leg($arc->to, $arc->at($arc->length() + 30))]);
        $chords = static fn (Polyline $l) => array_map(
            static fn (int $k) => [$l->at($l->length() * $k / 4000)->easting, $l->at($l->length() * $k / 4000)->northing], range(0, 4000),
        );
        foreach ([0.15, -0.15, 3.0, -3.0] as $right) {
            $parallel = $line->parallel($right);
            [$far, $length] = Reference::python(
                'from shapely.geometry import LineString'."\n"
                .'a, b, right = LineString(input[0]), LineString(input[1]), input[2]'."\n"
                .'print(json.dumps([max(abs(a.distance(LineString([p, p]).centroid) - abs(right)) for p in b.coords), '
                .'a.parallel_offset(abs(right), "right" if right > 0 else "left", join_style=2).length]))',
                [$chords($line), $chords($parallel), $right],
            );
            self::assertLessThan(1e-5, $far);
            self::assertEqualsWithDelta($length, $parallel->length(), 2e-4);
            // Whoever stands on the parallel stands as far beside the line.
            self::assertEqualsWithDelta($right, self::aim($line)->designedAt($parallel->at(50.0))->on?->offset, 1e-9);
        }
    }

    public function test_a_parallel_that_loses_a_piece_says_which(): void
    {
        $jog = Polyline::through([new Position(0, 0), new Position(10, 0), new Position(10, 0.3), new Position(20, 0.3)]);
        self::assertEqualsWithDelta(0.3, $jog->parallel(-0.2)->legs[1]->length(), 1e-12);
        $bay = Polyline::through([new Position(0, 0), new Position(10, 0), new Position(10, 0.3), new Position(0, 0.3)]);
        $this->expectException(NoConstruction::class);
        $this->expectExceptionMessage('piece 2 of the line, which is 0.300 m long');
        $bay->parallel(0.2);
    }

    public function test_heights_run_by_vertices_from_end_to_end_at_one_height_or_not_at_all(): void
    {
        $line = PackedPolyline::of(Polyline::through([new Position(0, 0, 1.0), new Position(0, 10), new Position(0, 20, 2.0)]));
        $height = static fn (LineHeights $heights, ?float $one = null, float $verticalOffset = 0.0) => (new LineAim($line, $heights, $one, $verticalOffset))
            ->designedAt(new Position(1.0, 5.0, 9.0))->place->elevation;
        self::assertNull($height(LineHeights::Vertices), 'a vertex between has none');
        self::assertEqualsWithDelta(1.25, $height(LineHeights::Ends), 1e-12);
        self::assertEqualsWithDelta(1.10, $height(LineHeights::Ends, null, -0.15), 1e-12);
        self::assertEqualsWithDelta(7.05, $height(LineHeights::One, 7.0, 0.05), 1e-12);
        self::assertNull($height(LineHeights::None, 7.0));
        self::assertSame(Judged::Plan, (new LineAim($line, LineHeights::None))->judges());
    }

    public function test_a_line_five_kilometres_off_and_one_of_ten_thousand_pieces_are_answered_alike(): void
    {
        $corners = [];
        for ($i = 0; $i <= 10_000; $i++) {
            $corners[] = new Position(5e6 + 3 * sin($i / 40), 3e6 + $i * 0.5, 4.0);
        }
        $polyline = Polyline::through($corners);
        $packed = PackedPolyline::of($polyline);
        mt_srand(7);
        foreach (range(1, 60) as $i) {
            $p = new Position(5e6 + mt_rand(-5000, 5000) / ($i % 3 === 0 ? 1 : 1000), 3e6 + mt_rand(0, 5000));
            $foot = $packed->foot($p);
            // By trying all of them.
            $least = min(array_map(static function (Leg $l) use ($p): float {
                $foot = $l->foot($p);

                return $foot === null ? min($l->from->distanceTo($p), $l->to->distanceTo($p)) : abs($foot[1]);
            }, $polyline->legs));
            if ($foot->along >= 0.0 && $foot->along <= $packed->length) {
                self::assertEqualsWithDelta($least, abs($foot->offset), 1e-7);
            } else {
                self::assertLessThan($least + 1e-9, abs($foot->offset));
            }
        }
        // Kept in a head and blocks, of which one or two are read for a place.
        $blocks = $packed->blocksToKeep();
        $read = [];
        $kept = PackedPolyline::kept($packed->head, static function (int $b) use ($blocks, &$read): string {
            $read[$b] = true;

            return $blocks[$b];
        });
        $beside = new Position(5e6 + 1.0, 3e6 + 2500.0);
        self::assertEquals($packed->foot($beside), $kept->foot($beside));
        self::assertLessThan(6, count($read));
        self::assertTrue($kept->equals($packed));
        try {
            PackedPolyline::kept($packed->head, static fn (int $b): string => substr($blocks[$b], 1))->foot($beside);
            self::fail('A block that is cut off is read.');
        } catch (\DomainException $e) {
            self::assertSame('A piece of that line is missing.', $e->getMessage());
        }
        $this->expectException(\DomainException::class);
        PackedPolyline::kept(substr($packed->head, 0, -1), static fn (int $b): string => $blocks[$b]);
    }

    public function test_following_the_moves_along_and_across_a_line_ends_on_the_design(): void
    {
        mt_srand(17);
        for ($i = 0; $i < 500; $i++) {
            $pole = new Position(mt_rand(0, 9999) / 7, mt_rand(0, 9999) / 7);
            $design = $pole->along(mt_rand(0, 6283) / 1000, mt_rand(0, 30_000) / 1000);
            $by = mt_rand(0, 6283) / 1000;
            $g = Guidance::from(new Position(0, 0), $pole, $design, new Tolerance(0.005, 0.005), by: $by);
            $there = $pole->along($by, (float) $g->ahead)->along($by + M_PI_2, (float) $g->aside);
            self::assertLessThan(1e-9, $there->distanceTo($design));
        }
    }

    public function test_what_does_not_count_puts_nothing_out(): void
    {
        $tolerance = new Tolerance(0.005, 0.005);
        $verdict = static fn (Position $design, Position $found, Judged $judged) => Deviation::between($design, $found)
            ->verdict($tolerance, $judged);
        $ceiling = new Position(0, 0, 7.2);
        $onSlab = new Position(0.002, 0, 0.01);
        self::assertSame(Verdict::Out, $verdict($ceiling, $onSlab, Judged::PlanAndHeight));
        self::assertSame(Verdict::In, $verdict($ceiling, $onSlab, Judged::Plan));
        self::assertSame(Verdict::Out, $verdict($ceiling, new Position(0.006, 0, 7.2), Judged::Plan));
        self::assertSame(Verdict::In, $verdict($ceiling, new Position(9.0, 9.0, 7.203), Judged::Height));
        self::assertSame(Verdict::Out, $verdict($ceiling, new Position(0.0, 0.0, 7.206), Judged::Height));
        self::assertSame(Verdict::Undecided, $verdict(new Position(0, 0), $onSlab, Judged::Height));
        self::assertSame(Judged::Plan, Deviation::between(new Position(0, 0), $onSlab)->judgedOf(Judged::PlanAndHeight));
    }

    public function test_a_place_is_designed_there_and_an_elevation_wherever_one_stands(): void
    {
        $pole = new Position(7, 8, 1.5);
        self::assertEquals(new Position(1, 2, 3), (new PlaceAim(new Position(1, 2, 3)))->designedAt($pole)->place);
        $one = (new ElevationAim(2.25))->designedAt($pole);
        self::assertEquals(new Position(7, 8, 2.25), $one->place);
        self::assertNull($one->on);
        self::assertSame(Judged::Height, (new ElevationAim(2.25))->judges());
    }

    public function test_on_a_wall_the_depth_does_not_count(): void
    {
        // The wall runs east and stands 70 mm behind its design.
        $wall = new WallAim(new PlaceAim(new Position(20.0, 11.0, 3.4)), new OnWall(M_PI_2));
        self::assertEqualsWithDelta([20.07, 11.0, 3.4], self::figures($wall->designedAt(new Position(20.07, 11.004, 3.402))->place), 1e-12);
        $level = new WallAim(new PlaceAim(new Position(20.0, 11.0)), new OnWall(M_PI_2), 1.2);
        self::assertEqualsWithDelta([19.9, 11.0, 1.2], self::figures($level->designedAt(new Position(19.9, 12.0, 1.0))->place), 1e-12);
        self::assertSame(Judged::PlanAndHeight, $level->judges());
    }

    public function test_pieces_are_counted_from_one_as_people_count(): void
    {
        $aim = self::aim(Polyline::of([new Leg(new Position(0, 0), new Position(10, 0)), new Leg(new Position(10, 0), new Position(10, 20))]));
        [$first, $second] = [$aim->designedAt(new Position(4, 1))->on, $aim->designedAt(new Position(9, 15))->on];
        self::assertSame([1, 2, 2], [$first?->piece, $second?->piece, $second?->pieces]);
        self::assertEqualsWithDelta([4.0, 26.0, 1.0], [$first?->along, $first?->toEnd, $first?->offset], 1e-9);
        self::assertEqualsWithDelta([25.0, 5.0, 1.0], [$second?->along, $second?->toEnd, $second?->offset], 1e-9);
    }

    private static function aim(Polyline $line): LineAim
    {
        return new LineAim(PackedPolyline::of($line));
    }

    /** @return array{float, float, float|null} */
    private static function figures(Position $p): array
    {
        return [$p->northing, $p->easting, $p->elevation];
    }
}
