<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Buildings\Example;

use Parlay\Core\Buildings\Example\DoesNotFit;
use Parlay\Core\Buildings\Example\ElementSpot;
use Parlay\Core\Buildings\Example\ElementSpotKind;
use Parlay\Core\Buildings\Example\FaceHold;
use Parlay\Core\Buildings\Example\Misfit;
use Parlay\Core\Buildings\Example\OfferedSpots;
use Parlay\Core\Buildings\Example\OnAnother;
use Parlay\Core\Buildings\Example\Parts;
use Parlay\Core\Buildings\Example\SpotPlace;
use Parlay\Core\Buildings\Face;
use Parlay\Core\Buildings\Loop;
use Parlay\Core\Buildings\Profile;
use Parlay\Core\Buildings\RoundFace;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Spots shown on one thing, on others alike: wider, turned, mirrored, stretched, drawn in another order. */
final class ExampleTest extends TestCase
{
    /** A plate about the origin of its axes, with a hole in each corner so far from both edges. */
    private static function plate(float $long, float $wide, float $thick, float $edge, int $holes = 4): Solid
    {
        $voids = [];
        foreach (array_slice([[-1, -1], [1, -1], [1, 1], [-1, 1]], 0, $holes) as [$i, $j]) {
            $voids[] = Loop::circle($i * ($long / 2 - $edge), $j * ($wide / 2 - $edge), 0.013);
        }

        return Solid::extruded(Profile::of(
            new Loop([[-$long / 2, -$wide / 2], [$long / 2, -$wide / 2], [$long / 2, $wide / 2], [-$long / 2, $wide / 2]]), $voids,
        ), [0.0, 0.0, $thick]);
    }

    private static function parts(Solid $solid, ?Frame $own = null): Parts
    {
        return Parts::of([[$solid, $own ?? Frame::none()]]);
    }

    /** @return list<array{ElementSpot, array{float, float, float}}> */
    private static function offered(Parts $parts, ElementSpotKind $kind): array
    {
        return array_values(array_filter(
            (new OfferedSpots($parts, Frame::none()))->near(null), static fn (array $o) => $o[0]->kind === $kind,
        ));
    }

    /** @param  array{float, float, float}  $at */
    private static function spotAt(Parts $parts, ElementSpotKind $kind, array $at): ElementSpot
    {
        foreach (self::offered($parts, $kind) as [$spot, $place]) {
            if (max(array_map(static fn (float $a, float $b) => abs($a - $b), $place, $at)) < 1e-9) {
                return $spot;
            }
        }
        self::fail('No such spot is offered.');
    }

    public function test_a_plate_offers_its_corners_edges_faces_and_both_ends_of_its_holes(): void
    {
        $parts = self::parts(self::plate(0.3, 0.2, 0.02, 0.05));
        $count = static fn (ElementSpotKind $kind): int => count(self::offered($parts, $kind));
        self::assertSame([8, 12, 6, 8], array_map($count, [
            ElementSpotKind::Corner, ElementSpotKind::EdgeMiddle, ElementSpotKind::FaceCentre, ElementSpotKind::AxisEnd,
        ]));
        $places = array_column((new OfferedSpots($parts, Frame::none()))->near([0.15, 0.1, 0.02]), 1);
        self::assertEqualsWithDelta([0.15, 0.1, 0.02], $places[0], 1e-12, 'the nearest first');
    }

    /** Where each spot must lie is said by its own formula in numpy, mapped by a matrix of four by four. */
    public function test_spots_follow_faces_and_axes_however_a_thing_stands(): void
    {
        $model = self::parts(self::plate(0.2, 0.3, 0.02, 0.05));
        $top = self::spotAt($model, ElementSpotKind::FaceCentre, [0.0, 0.0, 0.02])->faces[0];
        [$east, $north] = [
            self::spotAt($model, ElementSpotKind::FaceCentre, [0.1, 0.0, 0.01])->faces[0],
            self::spotAt($model, ElementSpotKind::FaceCentre, [0.0, 0.15, 0.01])->faces[0],
        ];
        $spots = [
            self::spotAt($model, ElementSpotKind::Corner, [0.1, 0.15, 0.02]),
            self::spotAt($model, ElementSpotKind::AxisEnd, [0.05, 0.1, 0.02]),
            self::spotAt($model, ElementSpotKind::AxisEnd, [-0.05, -0.1, 0.0]),
            self::spotAt($model, ElementSpotKind::EdgeMiddle, [0.1, 0.0, 0.02]),
            new ElementSpot(ElementSpotKind::Corner, $model->topology, [$east->behind(0.04), $north->behind(0.03), $top->behind(0.005)]),
            new ElementSpot(ElementSpotKind::AxisThroughFace, $model->topology, [$top->behind(-0.1)], self::spotAt($model, ElementSpotKind::AxisEnd, [0.05, 0.1, 0.02])->axis),
        ];
        mt_srand(11);
        $cases = [];
        for ($i = 0; $i < 60; $i++) {
            $cases[] = [
                'size' => [0.2 + 0.01 * $i, 0.5 - 0.005 * $i, 0.01 + 0.001 * $i, 0.04],
                // Kilometres off, turned about all axes, mirrored every third time, stretched along its own every second.
                'turn' => [mt_rand(0, 628) / 100, mt_rand(0, 628) / 100, mt_rand(0, 628) / 100], 'at' => [4.1e6 + $i, 5.3e5 - $i, 12.0],
                'stretch' => [$i % 2 === 0 ? 1.0 : 1.5, $i % 2 === 0 ? 1.0 : 0.8, $i % 3 === 0 ? -1.0 : 1.0],
            ];
        }
        $wanted = Reference::python(<<<'PY'
            import numpy as np
            found = []
            for c in input:
                a, b, g = c['turn']
                x = np.array([[1, 0, 0], [0, np.cos(a), -np.sin(a)], [0, np.sin(a), np.cos(a)]])
                y = np.array([[np.cos(b), 0, np.sin(b)], [0, 1, 0], [-np.sin(b), 0, np.cos(b)]])
                z = np.array([[np.cos(g), -np.sin(g), 0], [np.sin(g), np.cos(g), 0], [0, 0, 1]])
                m = np.eye(4)
                m[:3, :3] = z @ y @ x @ np.diag(c['stretch'])
                m[:3, 3] = c['at']
                l, w, t, e = c['size']
                # Distances are true ones, so along the stretched axes they are so much less.
                s = np.abs(c['stretch'])
                local = [[l / 2, w / 2, t], [l / 2 - e, w / 2 - e, t], [-l / 2 + e, -w / 2 + e, 0], [l / 2, 0, t],
                         [l / 2 - .04 / s[0], w / 2 - .03 / s[1], t - .005 / s[2]], [l / 2 - e, w / 2 - e, t + .1 / s[2]]]
                found.append([m.ravel().tolist()[:12], [(m @ np.array([*p, 1]))[:3].tolist() for p in local]])
            print(json.dumps(found))
            PY, $cases);
        foreach ($cases as $i => $c) {
            [$matrix, $places] = $wanted[$i];
            $parts = self::parts(self::plate(...$c['size']));
            $placed = new SpotPlace($parts, new Frame(...$matrix));
            foreach ($spots as $k => $spot) {
                self::assertEqualsWithDelta($places[$k], $placed->of($spot), 2e-8, "plate $i, spot $k");
                self::assertEqualsWithDelta($places[$k], $placed->of($placed->brought($spot)), 2e-8, 'as its own');
            }
        }
    }

    public function test_a_thing_drawn_in_another_order_has_the_same_spots(): void
    {
        $model = self::parts(self::plate(0.2, 0.3, 0.02, 0.05));
        $solid = self::plate(0.25, 0.3, 0.02, 0.05);
        // Faces backwards, corners renumbered: as another writer, or the next revision, may give it.
        $last = count($solid->corners) - 1;
        $renumbered = new Solid(array_reverse($solid->corners), array_map(static fn (Face $f) => new Face(
            array_map(static fn (int $n) => $last - $n, $f->outline), array_map(static fn (array $h) => array_map(static fn (int $n) => $last - $n, $h), $f->holes),
            $f->round === null ? null : count($solid->round) - 1 - $f->round,
        ), array_reverse($solid->faces)), array_reverse($solid->round));
        $parts = self::parts($renumbered);
        self::assertNotSame($model->topology, $parts->topology);
        $placed = new SpotPlace($parts, Frame::none());
        self::assertEqualsWithDelta([0.125, 0.15, 0.02], $placed->of(self::spotAt($model, ElementSpotKind::Corner, [0.1, 0.15, 0.02])), 1e-12);
        self::assertEqualsWithDelta([0.075, -0.1, 0.02], $placed->of(self::spotAt($model, ElementSpotKind::AxisEnd, [0.05, -0.1, 0.02])), 1e-12);
        self::assertEqualsWithDelta([0.0, -0.15, 0.0], $placed->of(self::spotAt($model, ElementSpotKind::EdgeMiddle, [0.0, -0.15, 0.0])), 1e-12);
    }

    /** A plate with one corner cut off, its coordinates written where it lies: turned, mirrored, its faces and corners in any order. */
    private static function written(Solid $solid, Frame $way, int $seed): Solid
    {
        mt_srand($seed);
        $order = range(0, count($solid->corners) - 1);
        shuffle($order);
        $new = array_flip($order);
        $turned = $way->determinant() < 0.0;
        $renumbered = static function (array $loop) use ($new, $turned): array {
            $loop = array_map(static fn (int $i): int => $new[$i], $loop);
            $first = mt_rand(0, count($loop) - 1);
            $loop = [...array_slice($loop, $first), ...array_slice($loop, 0, $first)];

            return $turned ? array_reverse($loop) : $loop;
        };
        $faces = array_map(static fn (Face $f): Face => new Face($renumbered($f->outline), array_map($renumbered, $f->holes), $f->round), $solid->faces);
        shuffle($faces);

        return new Solid(
            array_map(static fn (int $i): array => $way->point(...$solid->corners[$i]), $order), $faces,
            array_map(static fn (RoundFace $r): RoundFace => new RoundFace($way->point(...$r->from), $way->point(...$r->to), $r->radius, $r->hollow), $solid->round),
        );
    }

    private static function chamfered(float $long, float $wide, bool $cut = true): Solid
    {
        return Solid::extruded(Profile::of(
            new Loop([[0.0, 0.0], [$long, 0.0], ...($cut ? [[$long, $wide - 0.05], [$long - 0.05, $wide]] : [[$long, $wide]]), [0.0, $wide]]),
            $cut ? [Loop::circle(0.05, 0.05, 0.011), Loop::circle($long - 0.05, 0.05, 0.011)] : [],
        ), [0.0, 0.0, 0.02]);
    }

    public function test_on_plates_whose_coordinates_are_written_where_they_lie_the_shape_says_which_corner_is_which(): void
    {
        $model = self::parts(self::chamfered(0.5, 0.3));
        $spots = [
            self::spotAt($model, ElementSpotKind::Corner, [0.0, 0.0, 0.02]), self::spotAt($model, ElementSpotKind::Corner, [0.45, 0.3, 0.02]),
            self::spotAt($model, ElementSpotKind::AxisEnd, [0.45, 0.05, 0.02]), self::spotAt($model, ElementSpotKind::EdgeMiddle, [0.0, 0.15, 0.0]),
            self::spotAt($model, ElementSpotKind::FaceCentre, [0.0, 0.15, 0.01]),
        ];
        $places = [[0.0, 0.0, 0.02], [0.45, 0.3, 0.02], [0.45, 0.05, 0.02], [0.0, 0.15, 0.0], [0.0, 0.15, 0.01]];
        for ($i = 0; $i < 48; $i++) {
            $angle = $i * M_PI / 8 + ($i >= 32 ? 0.3 : 0.0);
            [$c, $s, $m] = [cos($angle), sin($angle), $i % 32 >= 16 ? -1.0 : 1.0];
            $way = new Frame($c, -$s * $m, 0.0, 4.1e6 + $i, $s, $c * $m, 0.0, 5.3e5, 0.0, 0.0, 1.0, 12.0);
            $thing = self::parts(self::written(self::chamfered(0.5, 0.3), $way, $i));
            $placed = new SpotPlace($thing, Frame::none());
            foreach ((new OnAnother($model, $thing))->spots($spots) as $k => $spot) {
                self::assertEqualsWithDelta($way->point(...$places[$k]), $placed->of($spot), 1e-6, "plate $i, spot $k");
            }
        }
    }

    /** @param  list<list<float|int>>  $pieces  corners, or arcs: centre, radius, from and to in degrees */
    private static function arcs(array $pieces): Loop
    {
        $corners = $arcs = [];
        foreach ($pieces as $piece) {
            if (count($piece) === 2) {
                $corners[] = [(float) $piece[0], (float) $piece[1]];

                continue;
            }
            [$x, $y, $radius, $from, $to] = array_map(floatval(...), $piece);
            foreach (range(0, 18) as $k) {
                $at = deg2rad($from + ($to - $from) * $k / 18);
                if ($k < 18) {
                    $arcs[count($corners)] = [$x, $y, $radius];
                }
                $corners[] = [$x + $radius * cos($at), $y + $radius * sin($at)];
            }
        }

        return new Loop($corners, $arcs);
    }

    public function test_holes_pins_and_slots_have_centres_and_fillets_have_none(): void
    {
        $axes = static fn (Loop $outline, Loop ...$voids): int => count(self::offered(
            self::parts(Solid::extruded(Profile::of($outline, array_values($voids)), [0.0, 0.0, 0.1])), ElementSpotKind::AxisEnd,
        ));
        $slot = self::arcs([[0.1, 0.1, 0.01, -180, 0], [0.2, 0.1, 0.01, 0, 180]]);
        $rounded = self::arcs([[0.0, 0.0], [0.5, 0.0], [0.5, 0.3], [0.3, 0.1, 0.1, 0, -90], [0.0, 0.0]]);
        $block = new Loop([[0.0, 0.0], [0.5, 0.0], [0.5, 0.3], [0.0, 0.3]]);
        self::assertSame([0, 4, 2, 2], [$axes($rounded), $axes($block, $slot), $axes(Loop::circle(0.0, 0.0, 0.1)), $axes($block, Loop::circle(0.2, 0.1, 0.02))]);
    }

    public function test_what_is_like_itself_in_several_ways_is_not_guessed(): void
    {
        $model = self::parts(self::chamfered(0.5, 0.3, cut: false));
        $corner = static fn (float $x, float $y): ElementSpot => self::spotAt($model, ElementSpotKind::Corner, [$x, $y, 0.02]);
        $turned = self::parts(self::written(self::chamfered(0.5, 0.3, cut: false), new Frame(0.0, -1.0, 0.0, 10.0, 1.0, 0.0, 0.0, 20.0, 0.0, 0.0, 1.0, 3.0), 7));
        $both = (new OnAnother($model, $turned))->spots([$corner(0.0, 0.0), $corner(0.5, 0.3)]);
        $places = array_map((new SpotPlace($turned, Frame::none()))->of(...), $both);
        sort($places);
        self::assertEqualsWithDelta([[9.7, 20.5, 3.02], [10.0, 20.0, 3.02]], $places, 1e-9, 'both corners are the same two either way');
        try {
            (new OnAnother($model, $turned))->spots([$corner(0.0, 0.0)]);
            self::fail('One of two corners was taken.');
        } catch (DoesNotFit $e) {
            self::assertSame([Misfit::SeveralWays, 2], [$e->why, $e->has]);
        }
        // Lying as the one that was shown, it is read as it lies.
        $shifted = self::parts(self::written(self::chamfered(0.5, 0.3, cut: false), new Frame(1.0, 0.0, 0.0, 10.0, 0.0, 1.0, 0.0, 20.0, 0.0, 0.0, 1.0, 3.0), 8));
        [$one] = (new OnAnother($model, $shifted))->spots([$corner(0.5, 0.0)]);
        self::assertEqualsWithDelta([10.5, 20.0, 3.02], (new SpotPlace($shifted, Frame::none()))->of($one), 1e-9);
    }

    public function test_nothing_is_put_where_planes_meet_behind_a_chamfer(): void
    {
        $model = self::parts(self::chamfered(0.5, 0.3, cut: false));
        $whole = self::spotAt($model, ElementSpotKind::Corner, [0.5, 0.3, 0.02]);
        $cut = self::parts(self::chamfered(0.6, 0.3));
        try {
            (new SpotPlace($cut, Frame::none()))->brought($whole);
            self::fail('There is nothing.');
        } catch (DoesNotFit $e) {
            self::assertSame(Misfit::NoCorner, $e->why);
        }
        $elsewhere = self::parts(self::chamfered(0.5, 0.3));
        // Larger, and the corner that is cut off is another.
        $turned = self::parts(self::written(self::chamfered(0.6, 0.3), new Frame(-1.0, 0.0, 0.0, 0.0, 0.0, -1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0), 3));
        $this->expectExceptionObject(new DoesNotFit(Misfit::OtherNeighbours));
        (new OnAnother($elsewhere, $turned))->spots([self::spotAt($elsewhere, ElementSpotKind::Corner, [0.5, 0.0, 0.02])]);
    }

    public function test_what_does_not_fit_says_how_many_there_are(): void
    {
        $model = self::parts(self::plate(0.2, 0.3, 0.02, 0.05));
        $hole = self::spotAt($model, ElementSpotKind::AxisEnd, [0.05, 0.1, 0.02]);
        try {
            (new SpotPlace(self::parts(self::plate(0.2, 0.3, 0.02, 0.05, 3)), Frame::none()))->of($hole);
            self::fail('It has three holes.');
        } catch (DoesNotFit $e) {
            self::assertSame([Misfit::OtherHoles, 3, 4], [$e->why, $e->has, $e->wanted]);
        }
        // A wedge: its top leans, and no face looks up.
        $wedge = Solid::extruded(Profile::of(new Loop([[0.0, 0.0], [0.2, 0.0], [0.0, 0.3]])), [0.05, 0.0, 0.02]);
        $corner = self::spotAt($model, ElementSpotKind::Corner, [0.1, 0.15, 0.02]);
        try {
            (new SpotPlace(self::parts($wedge), Frame::none()))->of($corner);
            self::fail('It has no such corner.');
        } catch (DoesNotFit $e) {
            self::assertSame(Misfit::OtherFaces, $e->why);
        }
        foreach ([[], array_fill(0, 3, new FaceHold(0, 0.0, 0.0, 1.0, 0, 1))] as $faces) {
            try {
                (new SpotPlace($model, Frame::none()))->of(new ElementSpot(ElementSpotKind::Corner, '', $faces));
                self::fail('These faces meet nowhere.');
            } catch (DoesNotFit $e) {
                self::assertSame($faces === [] ? Misfit::Unsaid : Misfit::NoCrossing, $e->why);
            }
        }
        $this->expectExceptionObject(new DoesNotFit(Misfit::NoShape));
        Parts::of([]);
    }
}
