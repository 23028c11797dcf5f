<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Designs;

use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\LinesInBox;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\TestCase;

final class LinesInBoxTest extends TestCase
{
    /** Five walls, 3 m apart; their names beside them, of one none. */
    private static function layers(): array
    {
        [$walls, $names] = [new DrawingLayer('WALLS', 0), new DrawingLayer('NAMES', 0)];
        for ($i = 0; $i < 5; $i++) {
            $walls->add(ShapeKind::Line, 1, 0, [0.0, 3.0 * $i, NAN, 8.0, 3.0 * $i, NAN, 0.0, 0.0, 0.0]);
        }
        $walls->add(ShapeKind::Arc, 1, 0, [20.0, 0.0, NAN, 5.0, 0.0, M_PI_2, 0.0, 0.0, 0.0]);
        $walls->add(ShapeKind::Circle, 1, 0, [4.0, 1.5, NAN, 0.3, 0.0, 0.0, 0.0, 0.0, 0.0]);
        $walls->add(ShapeKind::Line, 1, 0, [4.0, 1.0, NAN, 4.009, 1.0, NAN, 0.0, 0.0, 0.0]);
        foreach ([[' W1 ', 4.0, 0.2, 0.0], ['W2', 7.9, 3.3, 0.0], ['W3', 4.0, 5.1, M_PI_2], ['', 4.0, 9.1, 0.0], ['far', 4.0, 13.6, 0.0]] as [$text, $e, $n, $turn]) {
            $names->add(ShapeKind::Text, 1, 0, [$e, $n, NAN, 0.3, $turn, (float) $names->addString($text), 0.0, 0.0, 0.0]);
        }

        return [7 => $walls, 9 => $names];
    }

    public function test_lines_and_arcs_with_both_ends_inside_have_the_text_beside_them(): void
    {
        self::assertSame(
            [[7, 0, 'W1'], [7, 1, 'W2'], [7, 2, 'W3'], [7, 3, ''], [7, 4, ''], [7, 5, '']],
            LinesInBox::of(self::layers(), new Position(-1.0, -1.0), new Position(20.0, 30.0)),
        );
        // An end on the border is inside; one beyond it is not, though the line crosses the box.
        self::assertSame([[7, 0, 'W1'], [7, 1, 'W2']], LinesInBox::of(self::layers(), new Position(0.0, 0.0), new Position(3.0, 8.0)));
        self::assertSame([], LinesInBox::of(self::layers(), new Position(0.0, 0.0), new Position(3.0, 7.99)));
        self::assertSame([], LinesInBox::of([], new Position(0.0, 0.0), new Position(3.0, 8.0)));
    }

    public function test_a_text_names_the_line_nearest_to_it_alone(): void
    {
        $layer = new DrawingLayer('ALL', 0);
        foreach ([0.0, 0.4] as $n) {
            $layer->add(ShapeKind::Line, 1, 0, [0.0, $n, NAN, 8.0, $n, NAN, 0.0, 0.0, 0.0]);
        }
        $layer->add(ShapeKind::Text, 1, 0, [4.0, 0.15, NAN, 0.2, 0.0, (float) $layer->addString('A'), 0.0, 0.0, 0.0]);
        $box = [new Position(-9.0, -9.0), new Position(9.0, 9.0)];
        self::assertSame([[0, 0, ''], [0, 1, 'A']], LinesInBox::of([$layer], ...$box));
        // A second text: the farther line has the one that is left.
        $layer->add(ShapeKind::Text, 1, 0, [1.0, 0.28, NAN, 0.2, 0.0, (float) $layer->addString('B'), 0.0, 0.0, 0.0]);
        self::assertSame([[0, 0, 'A'], [0, 1, 'B']], LinesInBox::of([$layer], ...$box));
        // Beyond its end it is named within four heights of the end.
        foreach ([[0.75, 'C'], [0.85, '']] as [$beyond, $name]) {
            $one = new DrawingLayer('ONE', 0);
            $one->add(ShapeKind::Line, 1, 0, [0.0, 0.0, NAN, 8.0, 0.0, NAN, 0.0, 0.0, 0.0]);
            $one->add(ShapeKind::Text, 1, 0, [8.0 + $beyond - 0.07, -0.1, NAN, 0.2, 0.0, (float) $one->addString('C'), 0.0, 0.0, 0.0]);
            self::assertSame([[0, 0, $name]], LinesInBox::of([$one], ...$box));
        }
    }
}
