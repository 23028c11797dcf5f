<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Aims\AxisAim;
use Parlay\Core\Stakeout\Aims\FaceAim;
use Parlay\Core\Stakeout\FaceShot;
use Parlay\Core\Stakeout\Flatness;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\Plumb;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Faces and axes of things as what is staked: distances square to them beside numpy, plumb and flatness by hand and by least squares. */
final class FaceAimTest extends TestCase
{
    public function test_the_distance_square_to_a_face_is_as_numpy_has_it(): void
    {
        mt_srand(5);
        $r = static fn (float $reach): float => $reach * (2 * mt_rand() / mt_getrandmax() - 1);
        $cases = [];
        for ($i = 0; $i < 200; $i++) {
            $cases[] = [[5e5 + $r(100), 4e6 + $r(100), $r(50)], [$r(1), $r(1), $i % 3 === 0 ? 0.0 : ($i % 3 === 1 ? 40.0 : $r(1))], [5e5 + $r(100), 4e6 + $r(100), $r(50)]];
        }
        $wanted = Reference::python(<<<'PY'
            import numpy as np
            found = []
            for o, n, p in input:
                o, n, p = map(np.array, (o, n, p))
                n = n / np.linalg.norm(n)
                d = float((p - o) @ n)
                found.append([n.tolist(), d, (p - d * n).tolist()])
            print(json.dumps(found))
            PY, $cases);
        foreach ($cases as $i => [$o, , $p]) {
            [$normal, $before, $foot] = $wanted[$i];
            $aim = new FaceAim(new Position($o[1], $o[0], $o[2]), $normal);
            $designed = $aim->designedAt(new Position($p[1], $p[0], $p[2]));
            self::assertEqualsWithDelta($before, $designed->face?->before, 1e-6);
            // Whatever counts of it, the place lies on the face.
            $place = $designed->place;
            self::assertEqualsWithDelta(0.0, ($place->easting - $o[0]) * $normal[0] + ($place->northing - $o[1]) * $normal[1] + ($place->elevation - $o[2]) * $normal[2], 1e-6);
            [$up, $judges] = [abs($normal[2]), $aim->judges()];
            self::assertSame($up < 0.0872 ? Judged::Plan : (hypot($normal[0], $normal[1]) < 0.0872 ? Judged::Height : Judged::PlanAndHeight), $judges);
            if ($judges === Judged::PlanAndHeight) {
                self::assertEqualsWithDelta($foot, [$place->easting, $place->northing, $place->elevation], 1e-6);
            } elseif ($judges === Judged::Height) {
                self::assertSame([$p[0], $p[1]], [$place->easting, $place->northing]);
            } else {
                self::assertSame($p[2], $place->elevation);
            }
        }
    }

    public function test_beside_its_edges_and_without_a_height_that_is_said(): void
    {
        // A wall along the grid, looking south, 6 long and 3 high.
        $wall = new FaceAim(new Position(100.0, 50.0, 10.0), [0.0, -1.0, 0.0], [[50.0, 100.0, 10.0], [56.0, 100.0, 10.0], [56.0, 100.0, 13.0], [50.0, 100.0, 13.0]]);
        $at = static fn (float $n, float $e, ?float $h) => $wall->designedAt(new Position($n, $e, $h));
        self::assertEqualsWithDelta(0.02, $at(99.98, 53.0, 11.0)->face?->before, 1e-9, 'in front');
        self::assertEqualsWithDelta(-0.02, $at(100.02, 53.0, 11.0)->face?->before, 1e-9, 'behind');
        self::assertSame([true, false, false], [$at(99.9, 53.0, 11.0)->face?->within, $at(99.9, 57.0, 11.0)->face?->within, $at(99.9, 53.0, 14.0)->face?->within]);
        self::assertNull($at(99.9, 53.0, null)->place->elevation);
        // A slab that falls by 2 in 100 to the east.
        $slab = new FaceAim(new Position(0.0, 0.0, 5.0), [0.02 / sqrt(1.0004), 0.0, 1 / sqrt(1.0004)]);
        $designed = $slab->designedAt(new Position(7.0, 10.0, 4.83));
        self::assertEqualsWithDelta([7.0, 10.0, 4.8], [$designed->place->northing, $designed->place->easting, $designed->place->elevation], 1e-9);
        self::assertEqualsWithDelta(4.8, $slab->designedAt(new Position(7.0, 10.0))->place->elevation, 1e-9);
        // Falling by 2 in 100 to the east and by 3 to the north: under a pole without a height it is as high, and the pole on it.
        $both = sqrt(1.0 + 0.02 ** 2 + 0.03 ** 2);
        $yard = new FaceAim(new Position(0.0, 0.0, 5.0), [0.02 / $both, 0.03 / $both, 1 / $both]);
        $under = $yard->designedAt(new Position(7.0, 10.0));
        self::assertEqualsWithDelta([4.59, 0.0], [$under->place->elevation, $under->face?->before], 1e-9);
    }

    public function test_an_axis_is_met_at_the_height_of_the_pole_and_a_lying_one_square_to_it(): void
    {
        $column = new AxisAim([10.0, 20.0, 0.0], [10.06, 20.0, 6.0]);
        $designed = $column->designedAt(new Position(20.004, 10.03, 3.0));
        self::assertEqualsWithDelta([20.0, 10.03, 3.0, 0.004], [$designed->place->northing, $designed->place->easting, $designed->place->elevation, $designed->face?->before], 1e-9);
        self::assertSame([Judged::Plan, true, false], [$column->judges(), $designed->face?->within, $column->designedAt(new Position(20.0, 10.0, 7.0))->face?->within]);
        $beam = new AxisAim([0.0, 0.0, 3.0], [8.0, 0.0, 3.0]);
        $designed = $beam->designedAt(new Position(0.03, 4.0, 3.04));
        self::assertEqualsWithDelta([0.0, 4.0, 3.0, 0.05], [$designed->place->northing, $designed->place->easting, $designed->place->elevation, $designed->face?->before], 1e-9);
        self::assertSame(Judged::PlanAndHeight, $beam->judges());
    }

    public function test_what_stands_out_of_plumb_leans_so_much_in_so_much(): void
    {
        // By hand: 3 mm to the north and 4 to the east over five metres are 5 mm, 1 in 1000.
        $plumb = Plumb::ofAxis([[106.0, 0.004, 0.005], [101.0, 0.001, 0.001]], 0.001);
        self::assertNotNull($plumb);
        self::assertEqualsWithDelta([0.003, 0.004, 5.0, 0.005, 1000.0], [$plumb->north, $plumb->east, $plumb->height, $plumb->lean(), $plumb->oneIn()], 1e-9);
        self::assertEqualsWithDelta([0.004, -0.003], [$plumb->along(M_PI_2), $plumb->along(M_PI)], 1e-12);
        self::assertEqualsWithDelta(1.96 * 0.001 * M_SQRT2, $plumb->uncertain, 1e-9, 'of two shots, the root of two times one of them');
        self::assertNull(Plumb::ofAxis([[1.0, 0.0, 0.0], [1.4, 0.1, 0.0]], 0.001), 'too close above one another');
        self::assertNull(Plumb::ofAxis([[1.0, 0.0, 0.0]], 0.001));
        self::assertNull(Plumb::ofAxis([[1.0, 0.002, 0.0], [3.0, 0.002, 0.0]], 0.001)?->oneIn(), 'off, and upright');
        // Half a metre apart, 2.5 mm is what the shots themselves may be wrong by.
        $short = Plumb::ofAxis([[1.0, 0.0, 0.0], [1.5, 0.0025, 0.0]], 0.0015);
        self::assertFalse($short?->proves());
        self::assertNull($short->oneIn());
    }

    /** An upright wall turned in plan by 5 mm over 10 m does not lean, wherever it is shot; one that leans besides leans by that alone, as numpy's least squares have it. */
    public function test_a_turned_wall_does_not_lean(): void
    {
        $turned = Plumb::ofFace([[0.0, 1.0, 0.0], [10.0, 3.6, 0.005], [0.0, 3.6, 0.0], [10.0, 1.0, 0.005]], 0.0, 0.001);
        self::assertEqualsWithDelta([0.0, 0.005, 10.0], [$turned?->lean(), $turned?->turn, $turned?->length], 1e-9);
        mt_srand(3);
        $shots = [];
        for ($i = 0; $i < 12; $i++) {
            [$u, $h] = [mt_rand(0, 9000) / 1000, mt_rand(0, 3000) / 1000];
            $shots[] = [$u, $h, 0.002 + 0.0005 * $u + 0.003 * $h + mt_rand(-1000, 1000) / 1e6];
        }
        [$found, $deviations] = Reference::python(<<<'PY'
            import numpy as np
            s = np.array(input)
            a = np.column_stack([np.ones(len(s)), s[:, 1], s[:, 0]])
            x = np.linalg.lstsq(a, s[:, 2], rcond=None)[0]
            left = s[:, 2] - a @ x
            q = np.linalg.inv(a.T @ a)
            print(json.dumps([x.tolist(), np.sqrt(np.diag(q) * (left @ left) / (len(s) - 3)).tolist()]))
            PY, $shots);
        $plumb = Plumb::ofFace($shots, M_PI_2, 1e-6);
        self::assertNotNull($plumb);
        self::assertEqualsWithDelta($found[1] * $plumb->height, $plumb->east, 1e-9);
        self::assertEqualsWithDelta($found[2] * $plumb->length, $plumb->turn, 1e-9);
        self::assertEqualsWithDelta(1.96 * $deviations[1] * $plumb->height, $plumb->uncertain, 1e-9);
        self::assertEqualsWithDelta(1.96 * $deviations[2] * $plumb->length, $plumb->turnUncertain, 1e-9);
        // Two shots beside and above one another can't tell which it is.
        self::assertNull(Plumb::ofFace([[0.0, 1.0, 0.0], [10.0, 3.0, 0.005]], 0.0, 0.001));
        self::assertEqualsWithDelta(0.004, Plumb::ofFace([[2.0, 1.0, 0.001], [2.05, 3.0, 0.005]], 0.0, 0.001)?->lean(), 1e-9);
    }

    public function test_flatness_is_what_least_squares_leave(): void
    {
        mt_srand(8);
        $shots = [];
        for ($i = 0; $i < 40; $i++) {
            $shots[] = [mt_rand(0, 8000) / 1000, mt_rand(0, 3000) / 1000, 0.01 + mt_rand(-500, 500) / 1e5];
        }
        [$bow, $mean] = Reference::python(<<<'PY'
            import numpy as np
            s = np.array(input)
            a = np.column_stack([s[:, 0], s[:, 1], np.ones(len(s))])
            left = s[:, 2] - a @ np.linalg.lstsq(a, s[:, 2], rcond=None)[0]
            print(json.dumps([np.ptp(left), s[:, 2].mean()]))
            PY, $shots);
        $flat = Flatness::of($shots);
        self::assertNotNull($flat);
        self::assertEqualsWithDelta([$bow, $mean], [$flat->bow, $flat->mean], 1e-9);
        self::assertSame([40, min(array_column($shots, 2)), max(array_column($shots, 2))], [$flat->count, $flat->least, $flat->most]);
        self::assertNull(Flatness::of([])?->bow);
        self::assertNull(Flatness::of([[0.0, 0.0, 0.1], [1.0, 0.0, 0.1], [2.0, 0.0, 0.1], [3.0, 0.0, 0.2]])?->bow, 'in a line');
    }

    /** A wall that looks to the south-east: along it is measured to the right as seen from outside, that is to the north-east. */
    public function test_a_shot_in_the_coordinates_of_its_face(): void
    {
        $h = M_SQRT1_2;
        $wall = [$h, -$h, 0.0];
        $a = FaceShot::of($wall, new Position(5e6, 3e6, 12.0), 0.003);
        $b = FaceShot::of($wall, (new Position(5e6, 3e6, 15.0))->along(M_PI / 4, 7.0, 15.0), -0.002);
        self::assertEqualsWithDelta([7.0, 3.0, -0.005], [$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]], 1e-6);
        // Square to the wall nothing changes along it.
        self::assertEqualsWithDelta($a[0], FaceShot::of($wall, (new Position(5e6, 3e6))->along(3 * M_PI / 4, 2.0, 12.0), 2.0)[0], 1e-6);
        self::assertSame([3.0, 4.0, 0.01], FaceShot::of([0.0, 0.0, 1.0], new Position(4.0, 3.0, 9.0), 0.01));
        self::assertSame([3.0, 4.0, 0.01], FaceShot::of([0.0, 0.7, -0.714], new Position(4.0, 3.0, 9.0), 0.01));
        self::assertEqualsWithDelta(3 * M_PI / 4, FaceShot::upright($wall), 1e-12);
        self::assertNotNull(FaceShot::upright([0.0, 0.995, 0.0999]));
        self::assertNull(FaceShot::upright([0.0, 0.995, -0.1001]));
    }
}
