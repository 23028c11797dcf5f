<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Fit;

use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Fit\Spot;
use Parlay\Core\Fit\Spots;
use PHPUnit\Framework\TestCase;

/** Where control may be drawn in a drawing. */
final class SpotsTest extends TestCase
{
    public function test_a_label_that_names_control_belongs_to_the_mark_beside_it(): void
    {
        $layer = new DrawingLayer('CTRL', 0);
        $layer->add(ShapeKind::Point, 1, 0, [10.0, 20.0, 0.0]);
        $layer->add(ShapeKind::Point, 2, 0, [50.0, 20.0, 0.0]);
        $layer->add(ShapeKind::Text, 3, 0, [10.5, 20.5, 0.0, 0.3, 0.0, (float) $layer->addString(' cp 1 ')]);
        $layer->add(ShapeKind::Text, 4, 0, [80.0, 80.0, 0.0, 0.3, 0.0, (float) $layer->addString('CP 2')]);
        $layer->add(ShapeKind::Text, 5, 0, [11.0, 21.0, 0.0, 0.3, 0.0, (float) $layer->addString('a remark')]);
        $spots = Spots::of([$layer], ['CP 1', 'CP 2']);
        $labelled = array_values(array_filter($spots, static fn (Spot $s) => $s->label !== ''));
        self::assertSame(
            [['CP 1', 'text'], ['CP 1', 'point'], ['CP 2', 'text']], array_map(static fn (Spot $s) => [$s->label, $s->what], $labelled),
        );
        self::assertSame([10.0, 20.0], [$labelled[1]->x, $labelled[1]->y]);
        self::assertCount(
            1, array_filter($spots, static fn (Spot $s) => $s->label === '' && $s->x === 50.0), 'marks without a label are spots too',
        );
        self::assertSame([], array_filter($spots, static fn (Spot $s) => $s->label === 'A REMARK'));
    }

    public function test_points_come_before_blocks_and_circles_and_there_is_an_end_to_them(): void
    {
        $layer = new DrawingLayer('MANY', 0);
        for ($i = 0; $i < 900; $i++) {
            $layer->add(ShapeKind::Circle, $i, 0, [$i * 2.0, 0.0, 0.0, 0.5]);
        }
        $layer->add(ShapeKind::Insert, 901, 0, [0.0, 9.0, 0.0, 0.0, 0.0]);
        $layer->add(ShapeKind::Point, 902, 0, [0.0, 7.0, 0.0]);
        $spots = Spots::of([$layer], []);
        self::assertCount(800, $spots);
        self::assertSame(['point', 'insert', 'circle'], array_map(static fn (Spot $s) => $s->what, array_slice($spots, 0, 3)));
    }

    public function test_a_mark_drawn_twice_is_one_and_lines_are_none(): void
    {
        $layer = new DrawingLayer('L', 0);
        $layer->add(ShapeKind::Point, 1, 0, [1.0, 2.0, 0.0]);
        $layer->add(ShapeKind::Circle, 2, 0, [1.0002, 2.0, 0.0, 0.4]);
        $layer->add(ShapeKind::Line, 3, 0, [1.0, 2.0, 0.0, 3.0, 4.0, 0.0]);
        self::assertCount(1, Spots::of([$layer], []));
        $walls = new DrawingLayer('WALLS', 0);
        $walls->add(ShapeKind::Line, 1, 0, [0.0, 0.0, 0.0, 9.0, 9.0, 0.0]);
        self::assertSame([], Spots::of([$walls], ['A']));
        self::assertSame([], Spots::of([], ['A']));
    }
}
