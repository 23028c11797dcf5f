<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Geometry;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\Element;
use Parlay\Core\Cogo\Enclosed;
use Parlay\Core\Cogo\PlacesOnPolyline;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Designs\ShapeLegs;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

final class PolylineTest extends TestCase
{
    public function test_there_along_and_back_by_the_foot_gives_the_same_place_on_thousands_of_chains(): void
    {
        mt_srand(21);
        for ($i = 0; $i < 1500; $i++) {
            $chain = self::smooth();
            $along = $chain->length() * mt_rand(0, 1000) / 1000;
            // Nearer than any radius, so that the perpendicular is unique.
            $right = mt_rand(-4000, 4000) / 1000;
            $place = $chain->at($along, $right);
            [$back, $off] = $chain->foot($place);
            self::assertEqualsWithDelta($along, $back, 2e-5, "case $i");
            self::assertEqualsWithDelta($right, $off, 2e-5, "case $i");
        }
    }

    public function test_an_arc_of_a_drawing_keeps_its_length_and_its_places(): void
    {
        mt_srand(22);
        for ($i = 0; $i < 500; $i++) {
            $arc = new Shape(ShapeKind::Arc, 1, [
                3e6, 5e6, NAN, mt_rand(1, 9000) / 10, mt_rand(0, 628) / 100, (mt_rand(0, 1) ? 1 : -1) * mt_rand(10, 628) / 100, 0.0,
                0.0, 0.0,
            ]);
            $chain = Polyline::of(ShapeLegs::of($arc));
            self::assertEqualsWithDelta($arc->length(), $chain->length(), 1e-6);
            foreach ([0.0, 0.2, 0.5, 0.9, 1.0] as $part) {
                self::assertEqualsWithDelta(0.0, $chain->at($part * $chain->length())->distanceTo($arc->pointAt($part)), 1e-6);
            }
        }
    }

    public function test_pieces_drawn_against_each_other_are_turned_round(): void
    {
        $p = static fn (float $n, float $e) => new Position($n, $e);
        $chain = Polyline::of([new Leg($p(0, 10), $p(0, 0)), new Leg($p(5, 10), $p(0, 10)), new Leg($p(5, 10), $p(5, 20))]);
        self::assertEqualsWithDelta(25.0, $chain->length(), 1e-12);
        self::assertEqualsWithDelta(20.0, $chain->at(25.0)->easting, 1e-12);
        $this->expectException(NoConstruction::class);
        $this->expectExceptionMessage('gap of 1.000 m');
        Polyline::of([new Leg($p(0, 0), $p(0, 10)), new Leg($p(0, 11), $p(0, 20))]);
    }

    public function test_beyond_the_ends_it_runs_straight_on(): void
    {
        $arc = Polyline::of([Leg::leaving(new Position(0, 0), 0.0, 10.0, M_PI_2)]);
        $before = $arc->at(-3.0, 1.0);
        self::assertEqualsWithDelta(-3.0, $before->northing, 1e-12);
        self::assertEqualsWithDelta(1.0, $before->easting, 1e-12);
        $after = $arc->at($arc->length() + 3.0, -1.0);
        self::assertEqualsWithDelta(11.0, $after->northing, 1e-12);
        self::assertEqualsWithDelta(13.0, $after->easting, 1e-12);
        [$along, $right] = $arc->foot($after);
        self::assertEqualsWithDelta($arc->length() + 3.0, $along, 1e-9);
        self::assertEqualsWithDelta(-1.0, $right, 1e-9);
    }

    /** A quarter of the circle of radius 10 about the origin, from its east to its north and on: by sine and cosine alone. */
    public function test_where_it_is_wanted_it_goes_on_along_the_arc_beyond_its_ends(): void
    {
        foreach ([-1, 1] as $side) {
            $quarter = new Leg(new Position(0.0, $side * 10.0, 1.0), new Position(10.0, 0.0, 2.0), -$side * M_PI_2);
            $line = Polyline::of([$quarter]);
            foreach ([-0.7, -0.1, 0.3, 1.2, 2.0, 3.0] as $turned) {
                $made = PlacesOnPolyline::at($line, 10.0 * $turned * M_PI_2, 0.0, true)->solutions[0]->places[0]->position;
                self::assertEqualsWithDelta(
                    [10 * sin($turned * M_PI_2), $side * 10 * cos($turned * M_PI_2), 1.0 + $turned],
                    [$made->northing, $made->easting, $made->elevation], 1e-9, "$side, $turned",
                );
            }
            $straight = PlacesOnPolyline::at($line, 10.0 * M_PI_2 + 5.0, 0.0)->solutions[0]->places[0]->position;
            self::assertEqualsWithDelta([10.0, -$side * 5.0], [$straight->northing, $straight->easting], 1e-9, 'and else straight on');
        }
        // Where it ends straight it goes on straight either way.
        $mixed = Polyline::of([new Leg(new Position(0.0, 0.0), new Position(0.0, 5.0)), new Leg(new Position(0.0, 5.0), new Position(0.0, 9.0))]);
        self::assertEqualsWithDelta([0.0, -3.0], array_slice(array_values(get_object_vars(
            PlacesOnPolyline::at($mixed, -3.0, 0.0, true)->solutions[0]->places[0]->position,
        )), 0, 2), 1e-12);
        $this->expectException(NoConstruction::class);
        PlacesOnPolyline::at(Polyline::of([new Leg(new Position(0.0, 10.0), new Position(10.0, 0.0), -M_PI_2)]), 100.0, 0.0, true);
    }

    public function test_heights_run_evenly_between_the_ends(): void
    {
        $chain = Polyline::through([new Position(0, 0, 10.0), new Position(0, 20, 12.0), new Position(0, 30, null)]);
        self::assertEqualsWithDelta(10.5, (float) $chain->at(5.0)->elevation, 1e-12);
        self::assertNull($chain->at(25.0)->elevation);
    }

    /** Whoever sees a corner that turns by more than a right angle stands outside it, whichever way the line looks on: both forms of a chain, and an alignment, agree. */
    public function test_a_sharp_corner_has_its_side(): void
    {
        $places = [new Position(0, 0), new Position(10, 0), new Position(5, 5)];
        $line = Polyline::through($places);
        [$along, $right] = $line->foot(new Position(10.1, -3));
        self::assertEqualsWithDelta([10.0, -hypot(0.1, 3)], [$along, $right], 1e-9);
        $alignment = new Alignment([Element::between($places[0], $places[1]), Element::between($places[1], $places[2])]);
        self::assertEqualsWithDelta(-hypot(0.1, 3), $alignment->foot(new Position(10.1, -3))->offset, 1e-9);
        self::assertEqualsWithDelta(hypot(0.1, 3), Polyline::through([$places[0], $places[1], new Position(5, -5)])->foot(new Position(10.1, 3))[1], 1e-9);
        // The corner where a closed chain begins is one like the others.
        $closed = Polyline::through($places, true);
        self::assertLessThan(0.0, $closed->foot(new Position(-1, -0.5))[1]);
        self::assertLessThan(0.0, Polyline::through([$places[1], $places[2], $places[0]], true)->foot(new Position(-1, -0.5))[1]);
    }

    public function test_every_so_many_metres_with_ends_and_corners_and_none_twice(): void
    {
        $chain = Polyline::through([new Position(0, 0), new Position(0, 10), new Position(7.5, 10)]);
        self::assertEqualsWithDelta([0.0, 5.0, 10.0, 15.0, 17.5], array_column($chain->every(5.0, true), 0), 1e-12);
        self::assertEqualsWithDelta([0.0, 4.0, 8.0, 12.0, 16.0, 17.5], array_column($chain->every(4.0, false), 0), 1e-12);
        $square = Polyline::through([new Position(0, 0), new Position(0, 10), new Position(10, 10), new Position(10, 0)], true);
        self::assertCount(4, $square->every(10.0, true), 'a closed one has its beginning once');
        self::assertCount(8, $square->divided(8));
    }

    public function test_areas_and_centroids_with_arcs_agree_with_shapely(): void
    {
        mt_srand(23);
        $chains = [];
        for ($i = 0; $i < 60; $i++) {
            // A star-shaped outline about the middle with bulging sides.
            $corners = [];
            for ($k = 0; $k < 6; $k++) {
                $corners[] = (new Position(5e6, 3e6))->along($k * M_PI / 3, mt_rand(3000, 6000) / 100);
            }
            $chains[] = Polyline::of(
                array_map(static fn (int $k) => new Leg($corners[$k], $corners[($k + 1) % 6], mt_rand(-60, 90) / 100), range(0, 5)),
            );
        }
        $flat = array_map(static fn (Polyline $c) => array_merge(...array_map(static fn (Leg $l) => array_map(
            static fn (int $k) => [$l->at($l->length() * $k / 1000)->easting - 3e6, $l->at($l->length() * $k / 1000)->northing - 5e6],
            range(0, 999),
        ), $c->legs)), $chains);
        $theirs = Reference::python("from shapely.geometry import Polygon\nprint(json.dumps([[(p := Polygon(c)).area, p.centroid.x, "
            .'p.centroid.y, p.length] for c in input]))', $flat);
        foreach ($chains as $i => $chain) {
            $ours = Enclosed::by($chain);
            // Its outline is of 6,000 chords, which cut corners a little.
            self::assertEqualsWithDelta($theirs[$i][0], $ours->area, 2e-5 * $ours->area);
            self::assertEqualsWithDelta($theirs[$i][1], $ours->centroid->easting - 3e6, 5e-4);
            self::assertEqualsWithDelta($theirs[$i][2], $ours->centroid->northing - 5e6, 5e-4);
            self::assertEqualsWithDelta($theirs[$i][3], $chain->length(), 1e-3);
        }
    }

    public function test_parallels_of_chains_agree_with_shapely(): void
    {
        $chain = Polyline::through([new Position(0, 0), new Position(0, 40), new Position(30, 60), new Position(30, 100)]);
        foreach ([3.5, -3.5] as $right) {
            $ours = array_map(static fn (Position $p) => [$p->easting, $p->northing], $chain->parallel($right)->corners());
            $theirs = Reference::python("from shapely.geometry import LineString\nprint(json.dumps([list(p) for p in "
                ."LineString(input[0]).parallel_offset(abs(input[1]), 'right' if input[1] > 0 else 'left', join_style=2, "
                    .'mitre_limit=50).coords]))', [[[0, 0], [40, 0], [60, 30], [100, 30]], $right]);
            $theirs = $theirs[0][0] > $theirs[3][0] ? array_reverse($theirs) : $theirs;
            foreach ($ours as $i => $at) {
                self::assertEqualsWithDelta($theirs[$i], $at, 1e-9);
            }
        }
    }

    public function test_a_parallel_of_line_and_arc_stays_tangent(): void
    {
        $arc = Leg::leaving(new Position(0, 20), M_PI_2, 15.0, 0.8);
        $chain = Polyline::of([new Leg(new Position(0, 0), new Position(0, 20)), $arc, new Leg($arc->to, $arc->at($arc->length() + 12))]);
        $parallel = $chain->parallel(4.0);
        self::assertEqualsWithDelta([0.0, 0.0], $parallel->deflections(), 1e-9);
        self::assertEqualsWithDelta($chain->length() - 4.0 * 0.8, $parallel->length(), 1e-9);
        $this->expectExceptionMessage('as large as the radius');
        $chain->parallel(15.0);
    }

    public function test_set_back_pairs_stand_on_the_prolonged_sides(): void
    {
        $made = PlacesOnPolyline::setBack(
            Polyline::through([new Position(0, 0), new Position(10, 0), new Position(10, 20), new Position(0, 20)], true), 2.0,
        );
        $places = array_map(
            static fn ($p) => [$p->word, round($p->position->northing, 9), round($p->position->easting, 9)],
            $made->solutions[0]->places,
        );
        self::assertEquals([
            ['1a', 0.0, -2.0], ['1b', -2.0, 0.0], ['2a', 12.0, 0.0], ['2b', 10.0, -2.0],
            ['3a', 10.0, 22.0], ['3b', 12.0, 20.0], ['4a', -2.0, 20.0], ['4b', 0.0, 22.0],
        ], $places);
    }

    /** Lines and arcs that run into each other without a corner. */
    private static function smooth(): Polyline
    {
        [$at, $azimuth, $legs] = [new Position(5_400_000.0, 3_500_000.0), mt_rand(0, 628) / 100, []];
        for ($k = 0; $k < 3; $k++) {
            $line = new Leg($at, $at->along($azimuth, mt_rand(500, 4000) / 100));
            $arc = Leg::leaving($line->to, $azimuth, mt_rand(2000, 20000) / 100, (mt_rand(0, 1) ? 1 : -1) * mt_rand(5, 40) / 100);
            $azimuth += $arc->sweep;
            $at = $arc->to;
            array_push($legs, $line, $arc);
        }

        return Polyline::of($legs);
    }

    public function test_main_stations_are_its_ends_and_where_its_pieces_meet(): void
    {
        $at = static fn (float $n, float $e): Position => new Position($n, $e);
        $open = Polyline::through([$at(0, 0), $at(3, 0), $at(3, 4)]);
        self::assertEqualsWithDelta([0.0, 3.0, 7.0], $open->mainStations(), 1e-12);
        self::assertEqualsWithDelta([0.0, 3.5, 7.0], $open->divisions(2), 1e-12);
        $closed = Polyline::through([$at(0, 0), $at(3, 0), $at(3, 4)], true);
        self::assertEqualsWithDelta([0.0, 3.0, 7.0], $closed->mainStations(), 1e-12);
        self::assertEqualsWithDelta([0.0, 6.0], $closed->divisions(2), 1e-12);
        self::assertSame([0.0], $closed->divisions(1));
    }
}
