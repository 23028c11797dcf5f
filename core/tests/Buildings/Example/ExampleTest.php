<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Buildings\Example;

use Parlay\Core\Buildings\Example\DoesNotFit;
use Parlay\Core\Buildings\Example\ElementSpot;
use Parlay\Core\Buildings\Example\ElementSpotKind;
use Parlay\Core\Buildings\Example\FaceHold;
use Parlay\Core\Buildings\Example\Misfit;
use Parlay\Core\Buildings\Example\OfferedSpots;
use Parlay\Core\Buildings\Example\Parts;
use Parlay\Core\Buildings\Example\SpotPlace;
use Parlay\Core\Buildings\Face;
use Parlay\Core\Buildings\Loop;
use Parlay\Core\Buildings\Profile;
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
