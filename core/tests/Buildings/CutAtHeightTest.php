<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Buildings;

use Parlay\Core\Buildings\CutAtHeight;
use Parlay\Core\Buildings\Loop;
use Parlay\Core\Buildings\Profile;
use Parlay\Core\Buildings\RoundFace;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Solids cut level: the area that the lines enclose is the profile's, and of leaning ones what shapely makes of the cut. */
final class CutAtHeightTest extends TestCase
{
    public function test_an_extrusion_with_holes_is_cut_as_its_profile_lies_at_that_height(): void
    {
        $profile = Profile::of(new Loop([[0.0, 0.0], [4.0, 0.0], [4.0, 1.0], [1.0, 1.0], [1.0, 3.0], [0.0, 3.0]]), [new Loop([[0.2, 0.2], [0.2, 0.6], [0.8, 0.6], [0.8, 0.2]]), Loop::circle(2.5, 0.5, 0.2)]);
        $cases = [];
        mt_srand(6);
        for ($i = 0; $i < 20; $i++) {
            // Slanting, turned about the upright, somewhere far off.
            $turn = mt_rand(0, 628) / 100;
            [$dx, $dy] = $i < 10 ? [0.0, 0.0] : [mt_rand(-100, 100) / 100, mt_rand(-100, 100) / 100];
            $solid = Solid::extruded($profile, [$dx, $dy, 5.0]);
            $frame = Frame::ofAxes([cos($turn), sin($turn), 0.0], [-sin($turn), cos($turn), 0.0], [0.0, 0.0, 1.0], [5000.0 + $i, 7000.0, 100.0]);
            $cut = CutAtHeight::of($solid, $frame, 102.0);
            $cases[] = $cut->lines;
            if ($i < 10) {
                self::assertCount(1, $cut->circles, 'the round hole');
                self::assertEqualsWithDelta([...array_slice($frame->point(2.5, 0.5, 0.0), 0, 2), 0.2], $cut->circles[0], 1e-9);
            }
        }
        $areas = Reference::python(<<<'PY'
            from shapely.ops import polygonize, unary_union
            from shapely.geometry import LineString
            found = []
            for lines in input:
                whole = unary_union([LineString([(round(a, 7), round(b, 7)), (round(c, 7), round(d, 7))]) for a, b, c, d in lines])
                polygons = sorted(polygonize(whole), key=lambda p: -p.area)
                found.append([len(polygons), polygons[0].area])
            print(json.dumps(found))
            PY, $cases);
        foreach ($areas as $i => [$count, $area]) {
            // 4 + 2 and without its holes; the round one stands as a circle where it is upright.
            $round = $i < 10 ? 0.0 : 18 * 0.04 * sin(M_PI / 18);
            self::assertSame($i < 10 ? 2 : 3, $count, 'the outline and the holes');
            self::assertEqualsWithDelta(6.0 - 0.24 - $round, $area, 1e-5);
        }
    }

    public function test_above_below_and_just_at_a_face_nothing_is_doubled(): void
    {
        $box = Solid::extruded(Profile::of(new Loop([[0.0, 0.0], [2.0, 0.0], [2.0, 1.0], [0.0, 1.0]])), [0.0, 0.0, 3.0]);
        $counts = array_map(static fn (float $h): int => count(CutAtHeight::of($box, Frame::none(), $h)->lines), [-0.1, 0.0, 1.5, 3.0, 3.1]);
        self::assertSame([0, 0, 4, 4, 0], $counts, 'at its top it is still cut, at its underside not yet');
        self::assertSame([], CutAtHeight::of(new Solid([], []), Frame::none(), 0.0)->lines);
    }

    public function test_a_round_column_that_stands_on_a_turned_frame_is_cut_where_its_axis_is_at_that_height(): void
    {
        $solid = Solid::extruded(Profile::of(Loop::circle(0.0, 0.0, 0.3)), [0.0, 0.0, 4.0]);
        $cut = CutAtHeight::of($solid, Frame::ofAxes([1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0], [10.0, 20.0, -1.0]), 2.0);
        self::assertEqualsWithDelta([[10.0, 20.0, 0.3]], $cut->circles, 1e-12);
        $round = new RoundFace([1.0, 2.0, 3.0], [5.0, 10.0, 7.0], 0.25, true);
        $part = $round->between(0.25, 0.75);
        self::assertEqualsWithDelta([[2.0, 4.0, 4.0], [4.0, 8.0, 6.0]], [$part->from, $part->to], 1e-12);
        self::assertSame([0.25, true], [$part->radius, $part->hollow]);
    }
}
