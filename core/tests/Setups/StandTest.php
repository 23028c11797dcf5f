<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\Stand\Expected;
use Parlay\Core\Setups\Stand\Site;
use Parlay\Core\Setups\Stand\Walls;
use Parlay\Core\Setups\WeakFigure;
use Parlay\Core\Setups\WeaknessKind;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Units\Angle;
use PHPUnit\Framework\TestCase;

/** Where to stand, and whether a figure is too weak for its work. */
final class StandTest extends TestCase
{
    public function test_what_is_expected_beforehand_is_what_the_setup_then_says_of_itself(): void
    {
        foreach (range(1, 20) as $seed) {
            $field = new Field($seed, planDeviation: 0.002);
            $sights = array_map(static fn (ControlSight $s) => $s->with(height: false), $field->sights(2 + $seed % 4));
            $said = Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy)->precision;
            $expected = Expected::precision(
                $field->station, array_map(static fn (ControlSight $s) => $s->control, $sights),
                array_map(static fn (ControlSight $s) => $s->planDeviation, $sights), $field->accuracy,
            );
            $far = $field->station->along(1.0, 100.0);
            self::assertEqualsWithDelta(1.0, $expected->ellipse()->major / $said->ellipse()->major, 0.01);
            self::assertEqualsWithDelta(1.0, $expected->at($field->station, $far)->major / $said->at($field->station, $far)->major, 0.01);
        }
        self::assertNull(Expected::precision($field->station, [$field->mark()], [0.0], $field->accuracy), 'one sight fixes no place');
        self::assertNull(Expected::precision($field->station, [], [], $field->accuracy));
    }

    public function test_walls_block_what_shapely_says_they_cross(): void
    {
        $field = new Field(8);
        $walls = $rays = [];
        for ($i = 0; $i < 60; $i++) {
            [$n, $e, $a, $l] = [$field->between(-50, 50), $field->between(-50, 50), $field->between(0, 6.28), $field->between(0.5, 30)];
            $walls[] = [$n, $e, $n + $l * cos($a), $e + $l * sin($a)];
        }
        for ($i = 0; $i < 2000; $i++) {
            $rays[] = [$field->between(-70, 70), $field->between(-70, 70), $field->between(-70, 70), $field->between(-70, 70)];
        }
        $theirs = Reference::python(<<<'PY'
            from shapely.geometry import LineString, MultiLineString
            w = MultiLineString([[(s[1], s[0]), (s[3], s[2])] for s in input['walls']])
            def inner(r):
                l = LineString([(r[1], r[0]), (r[3], r[2])])
                return LineString([l.interpolate(.15), l.interpolate(l.length - .15)])
            print(json.dumps([bool(inner(r).intersects(w)) for r in input['rays']]))
            PY, ['walls' => $walls, 'rays' => $rays]);
        $site = new Walls($walls);
        self::assertSame(
            $theirs, array_map(static fn (array $r) => $site->block(new Position($r[0], $r[1]), new Position($r[2], $r[3])), $rays),
        );
        self::assertGreaterThan(200, array_sum($theirs));
        self::assertFalse((new Walls([]))->block(new Position(0, 0), new Position(9, 9)));
    }

    public function test_a_mark_behind_a_wall_is_not_counted_and_the_best_sights_are_named(): void
    {
        $field = new Field(9);
        $control = [
            'N' => new Position(60.0, 0.0), 'E' => new Position(0.0, 60.0), 'S' => new Position(-60.0, 0.0),
            'behind' => new Position(-40.0, 40.0),
        ];
        $work = [new Position(30.0, 30.0), new Position(31.0, 31.0), new Position(30.0, 32.0), new Position(30.5, 30.9)];
        $site = new Site($control, [], $work, new Walls([[-20.0, 10.0, -10.0, 30.0]]), $field->accuracy);
        $here = new Position(0.0, 0.0);
        self::assertSame(['N', 'E', 'S'], $site->seen($here));
        [$names, $worst] = $site->bestSights($here);
        foreach ($work as $p) {
            self::assertLessThanOrEqual(
                $worst + 1e-12, $site->precision($here, $names)->at($here, $p)->major, 'the worst lies on the hull',
            );
        }
        self::assertLessThanOrEqual($worst, $site->worst($here) + 1e-12, 'all that can be seen is at least as good');
        self::assertNull((new Site([], [], $work, new Walls([]), $field->accuracy))->worst($here));
        self::assertNull((new Site($control, [], [], new Walls([]), $field->accuracy))->worst($here));
        $map = $site->map(-10.0, -10.0, 10.0, 3, 0, 2);
        self::assertCount(6, $map);
        self::assertSame($site->worst(new Position(5.0, -5.0)), $map[3]);
    }

    /**
     * @return array<string, array{list<float>, string, WeaknessKind, Position}> azimuths of the marks in degrees, what is used, what is
     *     said, the far end
     */
    public static function figures(): array
    {
        return [
            'all one way' => [[40, 50, 62], 'both', WeaknessKind::OneWay, new Position(4880.0, 1900.0)],
            'much shorter' => [[0, 120, 240], 'short', WeaknessKind::ShortSights, new Position(5400.0, 2000.0)],
            'near the circle' => [[0, 45, 90], 'circle', WeaknessKind::NearCircle, new Position(4930.0, 1930.0)],
            'angles in line' => [[0, 4, 182], 'angles', WeaknessKind::AnglesInLine, new Position(5000.0, 2090.0)],
            'to one side' => [[10, 60], 'both', WeaknessKind::OneSide, new Position(4910.0, 1920.0)],
            'distances near the line' => [[0, 178], 'distances', WeaknessKind::DistancesInLine, new Position(5000.0, 2090.0)],
        ];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('figures')]
    public function test_a_weak_figure_says_why_what_it_does_and_what_would_mend_it(
        array $azimuths,
        string $kind,
        WeaknessKind $why,
        Position $far,
    ): void {
        $field = new Field(20, noisy: 0.0);
        $sights = [];
        foreach ($azimuths as $i => $degrees) {
            // For the circle: marks on a circle that passes through the instrument.
            $distance = match ($kind) {
                'short' => 8.0, 'circle' => 120.0 * cos(deg2rad($degrees - 45)) + 3.0, default => 60.0
            };
            $s = $field->controlSight("M$i", $field->station->along(deg2rad($degrees), $distance * 1.01, 40.0));
            $sights[] = match ($kind) {
                'circle', 'angles' => $s->with(distance: false, height: false), 'distances' => $s->with(direction: $i === 0), default => $s
            };
        }
        $solution = Resection::places($sights, 1.6, $field->accuracy);
        $nearest = $solution[0]->station->mark->distanceTo($field->station) < 0.01 ? $solution[0] : $solution[1];
        $control = ['good' => $field->station->along(4.0, 80.0)];
        $weakness = WeakFigure::measured($nearest, $sights, $field->accuracy, $far, $control)->weakness();
        self::assertSame([$why, 'good', true], [$weakness?->kind, $weakness?->mark, $weakness?->ofWork]);
        self::assertEqualsWithDelta(4.0, $weakness->markToward, 0.01);
        self::assertEqualsWithDelta($field->station->distanceTo($far), $weakness->far, 0.01);
        self::assertLessThan($weakness->reach, $weakness->mended);
    }

    public function test_a_weak_place_is_said_before_anything_is_measured(): void
    {
        $field = new Field(21);
        $work = [new Position(0.0, 0.0), new Position(-150.0, -120.0)];
        $control = ['A' => new Position(50.0, 10.0), 'B' => new Position(52.0, 18.0), 'C' => new Position(-60.0, 40.0)];
        $wall = new Walls([[-20.0, 10.0, -10.0, 40.0]]);
        $place = new Position(10.0, 5.0);
        $weakness = (new Site($control, [], $work, $wall, $field->accuracy))->weakness($place);
        self::assertSame(WeaknessKind::OneWay, $weakness?->kind);
        self::assertEqualsWithDelta(0.0, Angle::signed((float) $weakness->toward), M_PI / 8, 'north');
        self::assertNull(
            (new Site($control + ['D' => new Position(-100.0, -90.0)], [], $work, new Walls([]), $field->accuracy))->weakness($place),
        );
        self::assertNull(
            (new Site(['A' => $control['A']], [], $work, $wall, $field->accuracy))->weakness($place),
            'one mark fixes no place: there is nothing to judge',
        );
    }

    public function test_curves_block_the_sight_as_lines_do(): void
    {
        $tank = Shape::unpack(Shape::record(ShapeKind::Circle, 0, 0, [0.0, 0.0, 0.0, 10.0]));
        $text = Shape::unpack(Shape::record(ShapeKind::Point, 0, 0, [0.0, 20.0, 0.0]));
        $walls = Walls::along([$tank, $text]);
        self::assertTrue($walls->block(new Position(-30.0, 0.0), new Position(30.0, 0.0)));
        self::assertFalse($walls->block(new Position(-30.0, 10.2), new Position(30.0, 10.2)));
        self::assertFalse($walls->block(new Position(20.0, -30.0), new Position(20.0, 30.0)));
    }

    public function test_a_good_figure_is_not_called_weak(): void
    {
        foreach (range(1, 10) as $seed) {
            $field = new Field($seed);
            $sights = array_map(
                static fn (int $i) => $field->controlSight("M$i", $field->station->along(1.5 * $i, 60.0 + 5 * $i, 40.0)), [0, 1, 2, 3],
            );
            self::assertNull(WeakFigure::measured(
                Resection::solve($sights, 1.6, $field->accuracy), $sights, $field->accuracy, $field->station->along(2.0, 70.0), [],
            )->weakness());
        }
    }
}
