<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Control;

use Parlay\Core\Control\GridCrossing;
use Parlay\Core\Control\GridLine;
use Parlay\Core\Control\GridNames;
use Parlay\Core\Control\GridRecognition;
use Parlay\Core\Control\TypedGrid;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\TestCase;

final class GridTest extends TestCase
{
    public function test_spacings_are_measured_at_right_angles_also_where_the_grid_is_skewed(): void
    {
        // Below 0 the crossing lines run to the left of the first.
        foreach ([M_PI_2, 1.2, 2.0, -M_PI_2, -1.2] as $skew) {
            $lines = array_column(array_map(
                static fn (GridLine $l) => [$l->name, $l],
                TypedGrid::crossing(new Position(5e6, 3e6), 0.4, 'A', [6.0, 7.5], '1', [4.0, 4.0, 5.0], $skew),
            ), 1, 0);
            self::assertSame(['A', 'B', 'C', 1, 2, 3, 4], array_keys($lines));
            foreach ([['A', 'B', 6.0], ['B', 'C', 7.5], ['1', '2', 4.0], ['3', '4', 5.0]] as [$a, $b, $spacing]) {
                $ray = Line::through($lines[$a]->from, $lines[$a]->to);
                self::assertEqualsWithDelta($spacing, abs($ray->right($lines[$b]->from)), 1e-6, "$a to $b");
                self::assertEqualsWithDelta($spacing, $lines[$a]->apart($lines[$b]), 1e-6);
                self::assertEqualsWithDelta($ray->right($lines[$b]->from), $ray->right($lines[$b]->to), 1e-6, 'parallel');
                // Each lies beyond the one before, and so on the same side of the first.
                self::assertSame($skew < 0.0, $ray->right($lines[$b]->from) * (ctype_digit($a) ? -1 : 1) < 0.0, "$a to $b");
            }
        }
    }

    public function test_a_radial_grid_has_lines_from_its_centre_and_rings_about_it(): void
    {
        $centre = new Position(500.0, 900.0);
        $lines = TypedGrid::radial($centre, 0.3, '1', [0.5, 0.7], 'A', [10.0, 5.0]);
        self::assertSame(['1', '2', '3', 'A', 'B'], array_map(static fn (GridLine $l) => $l->name, $lines));
        self::assertEqualsWithDelta(
            [0.3, 0.8, 1.5], array_map(static fn (GridLine $l) => $centre->azimuthTo($l->to), array_slice($lines, 0, 3)), 1e-9,
        );
        self::assertEqualsWithDelta(
            [10.0, 15.0], array_map(static fn (GridLine $l) => $centre->distanceTo($l->to), array_slice($lines, 3)), 1e-9,
        );
        self::assertSame([false, false, false, true, true], array_map(static fn (GridLine $l) => $l->ring, $lines));
        self::assertGreaterThan(15.0, $centre->distanceTo($lines[0]->to), 'lines go on beyond the outermost ring');
        foreach ([[[0.5], []], [[0.5], [10.0, -1.0]], [[0.0], [10.0]], [array_fill(0, 200, 0.01), [10.0]]] as [$angles, $radii]) {
            try {
                TypedGrid::radial($centre, 0.3, '1', $angles, 'A', $radii);
                self::fail('It was taken.');
            } catch (NoConstruction $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    public function test_lines_of_a_turned_grid_lie_as_far_apart_as_their_spacing(): void
    {
        $line = static fn (float $right): GridLine => new GridLine(
            'A', 'letters', (new Position(1000.0, 2000.0))->along(0.4 + M_PI_2, $right)->along(0.4, $right),
            (new Position(1000.0, 2000.0))->along(0.4 + M_PI_2, $right)->along(0.4, $right + 50.0),
        );
        self::assertEqualsWithDelta(7.5, $line(0.0)->apart($line(7.5)), 1e-9);
        self::assertEqualsWithDelta(7.5, $line(7.5)->apart($line(0.0)), 1e-9);
    }

    /** Crossings of a skewed grid against the closed form of its rows, and of a radial one against its angles and radii. */
    public function test_lines_of_two_families_cross_where_both_reach(): void
    {
        [$origin, $turn, $skew] = [new Position(5e6, 3e6), 0.4, 1.2];
        $lines = array_values(TypedGrid::crossing($origin, $turn, 'A', [6.0], '1', [4.0, 5.0], $skew));
        $found = GridCrossing::all($lines);
        self::assertSame(
            ['A1', 'A2', 'A3', 'B1', 'B2', 'B3'],
            array_map(static fn (GridCrossing $c) => $lines[$c->first]->name.$lines[$c->second]->name, $found),
        );
        foreach ($found as $c) {
            foreach ([$c->first, $c->second] as $i) {
                self::assertEqualsWithDelta(0.0, Line::through($lines[$i]->from, $lines[$i]->to)->right($c->position), 1e-6);
            }
        }
        self::assertEqualsWithDelta(6.0 / sin($skew), $found[0]->position->distanceTo($found[3]->position), 1e-6);
        // Out of reach by more than half a metre, or alike: no crossing.
        $line = static fn (string $name, string $family, float $n1, float $e1, float $n2, float $e2): GridLine => new GridLine(
            $name, $family, new Position($n1, $e1), new Position($n2, $e2),
        );
        $east = $line('A', 'letters', 0, 0, 0, 10);
        foreach ([[10.4, 1], [10.6, 0], [-0.4, 1], [-0.6, 0]] as [$e, $count]) {
            self::assertCount($count, GridCrossing::all([$east, $line('1', 'numbers', -5, $e, 5, $e)]), (string) $e);
            self::assertCount(
                $count, GridCrossing::all([$line('1', 'numbers', $e, 5, $e, -5), $line('A', 'letters', 0, 2, 10, 2)]), (string) $e,
            );
        }
        self::assertSame([], GridCrossing::all([$east, $line('1', 'numbers', 1, 0, 1.001, 10)]), 'almost parallel');
        self::assertSame([], GridCrossing::all([$east, $line('B', 'letters', -5, 5, 5, 5)]), 'of one family');
        $radial = TypedGrid::radial($origin, 0.3, '1', [0.5], 'A', [10.0, 5.0]);
        $rings = GridCrossing::all($radial);
        self::assertSame(
            ['1A', '1B', '2A', '2B'],
            array_map(static fn (GridCrossing $c) => $radial[$c->first]->name.$radial[$c->second]->name, $rings),
        );
        foreach ([[0.3, 10.0], [0.3, 15.0], [0.8, 10.0], [0.8, 15.0]] as $i => [$azimuth, $radius]) {
            self::assertEqualsWithDelta(0.0, $rings[$i]->position->distanceTo($origin->along($azimuth, $radius)), 1e-6);
        }
        self::assertSame([], GridCrossing::all(array_slice($radial, 2)), 'rings do not cross each other');
    }

    public function test_names_run_on(): void
    {
        self::assertSame(['Y', 'Z', 'AA', 'AB'], GridNames::from('Y', 4));
        self::assertSame(['9', '10'], GridNames::from('9', 2));
        foreach (['A', 'AB', '12', '4.5', "A'", 'B.1'] as $name) {
            self::assertTrue(GridNames::isName($name), $name);
        }
        foreach (['', 'Wall', '9.000', '1234', 'A1', '<b>'] as $text) {
            self::assertFalse(GridNames::isName($text), $text);
        }
    }

    public function test_two_lines_of_one_name_and_a_ring_without_radius_are_refused(): void
    {
        foreach ([
            [static fn () => TypedGrid::crossing(new Position(0, 0), 0.0, 'A', [1.0], 'B', [1.0]), 'one name'],
            [static fn () => TypedGrid::radial(new Position(0, 0), 0.0, '1', [0.3], 'A', []), 'radius of at least one ring'],
            [static fn () => TypedGrid::radial(new Position(0, 0), 0.0, '1', [0.3], 'A', [5.0, 0.0]), 'Each radius'],
            [static fn () => TypedGrid::radial(new Position(0, 0), 0.0, '1', [0.3], 'A', [-5.0]), 'Each radius'],
            [static fn () => TypedGrid::crossing(new Position(0, 0), 0.0, 'A', [-1.0], '1', [1.0]), 'more than 0'],
        ] as [$try, $says]) {
            try {
                $try();
                self::fail($says);
            } catch (\DomainException $e) {
                self::assertStringContainsString($says, $e->getMessage());
            }
        }
    }

    public function test_turned_grids_are_found_among_walls_and_dimensions_with_their_names(): void
    {
        mt_srand(71);
        for ($case = 0; $case < 25; $case++) {
            [$turn, $dashed] = [mt_rand(0, 314) / 100, $case % 2 === 0];
            $grid = TypedGrid::crossing(
                new Position(5e6, 3e6), $turn, 'A', array_map(static fn () => mt_rand(50, 90) / 10, range(1, 3)), '1',
                array_map(static fn () => mt_rand(50, 90) / 10, range(1, 5)),
            );
            $layer = new DrawingLayer('ALL', 0);
            foreach ($grid as $line) {
                self::draw($layer, $line, $dashed);
            }
            for ($i = 0; $i < 60; $i++) {
                $at = (new Position(5e6, 3e6))->along(mt_rand(0, 628) / 100, mt_rand(0, 20));
                $to = $at->along(mt_rand(0, 628) / 100, mt_rand(5, 40) / 10);
                self::line($layer, $at, $to);
                self::text($layer, $at, ['W12', '9.000', 'Wall', '120'][$i % 4], 0.25);
            }
            $found = array_column(array_map(static fn (GridLine $l) => [$l->name, $l], GridRecognition::in([$layer])), 1, 0);
            $names = array_map(static fn (GridLine $l) => $l->name, $grid);
            self::assertEqualsCanonicalizing($names, array_map(strval(...), array_keys($found)), "case $case");
            foreach ($grid as $line) {
                $ray = Line::through($found[$line->name]->from, $found[$line->name]->to);
                self::assertEqualsWithDelta(0.0, $ray->right($line->from), 1e-4);
                self::assertEqualsWithDelta(0.0, $ray->right($line->to), 1e-4);
            }
        }
    }

    /** With its name in a bubble beyond one end, as drawings have it. */
    private static function draw(DrawingLayer $layer, GridLine $line, bool $dashed): void
    {
        $ray = Line::through($line->from, $line->to);
        $length = $line->from->distanceTo($line->to);
        if ($dashed) {
            for ($s = 0.0; $s < $length; $s += 1.5) {
                self::line($layer, $ray->at($s), $ray->at(min($length, $s + 1.0)));
            }
        } else {
            self::line($layer, $line->from, $line->to);
        }
        $centre = $ray->at($length + 0.9);
        $layer->add(ShapeKind::Circle, 1, 0, [$centre->easting, $centre->northing, NAN, 0.9, 0.0, 0.0, 0.0, 0.0, 0.0]);
        self::text($layer, new Position($centre->northing - 0.3, $centre->easting - 0.2 * strlen($line->name)), $line->name, 0.6);
    }

    private static function line(DrawingLayer $layer, Position $a, Position $b): void
    {
        $layer->add(ShapeKind::Line, 1, 0, [$a->easting, $a->northing, NAN, $b->easting, $b->northing, NAN, 0.0, 0.0, 0.0]);
    }

    private static function text(DrawingLayer $layer, Position $at, string $text, float $height): void
    {
        $layer->add(
            ShapeKind::Text, 1, 0, [$at->easting, $at->northing, NAN, $height, 0.0, (float) $layer->addString($text), 0.0, 0.0, 0.0],
        );
    }

    public function test_a_small_ring_is_crossed_where_it_is(): void
    {
        $lines = [
            new GridLine('1', 'rays', new Position(0.0, 0.0), new Position(10.0, 0.0)),
            new GridLine('R', 'rings', new Position(0.0, 0.0), new Position(0.5, 0.0), true),
        ];
        $found = GridCrossing::all($lines);
        self::assertCount(1, $found);
        self::assertEqualsWithDelta([0.5, 0.0], [$found[0]->position->northing, $found[0]->position->easting], 1e-12);
    }

    public function test_a_line_that_does_not_come_to_a_ring_does_not_cross_it(): void
    {
        $ring = new GridLine('R', 'rings', new Position(0.0, 0.0), new Position(10.0, 0.0), true);
        $east = static fn (float $n, float $from, float $to): GridLine => new GridLine('A', 'letters', new Position($n, $from), new Position($n, $to));
        foreach ([
            'past it' => [$east(10.1, -20, 20), null], 'ends inside' => [$east(6, -1, 7.4), null], 'begins beyond' => [$east(6, 8.6, 20), null],
            'through' => [$east(6, -20, 20), 8.0], 'to its rim, nearly' => [$east(6, 0, 7.6), 8.0],
            'to its other rim only' => [$east(6, -20, 0), -8.0], 'begins near its rim' => [$east(6, 8.4, 20), 8.0],
        ] as $how => [$line, $easting]) {
            $found = GridCrossing::all([$line, $ring]);
            self::assertCount($easting === null ? 0 : 1, $found, $how);
            if ($easting !== null) {
                self::assertEqualsWithDelta([6.0, $easting], [$found[0]->position->northing, $found[0]->position->easting], 1e-9, $how);
            }
        }
    }
}
