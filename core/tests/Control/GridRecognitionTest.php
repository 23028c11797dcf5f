<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Control;

use Parlay\Core\Control\GridLine;
use Parlay\Core\Control\GridRecognition;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where a line stops being one, and a name its name. The bounds are Parlay's own: nothing is published about how drafters set them. */
final class GridRecognitionTest extends TestCase
{
    /**
     * @param  list<array{float, float, float, float}>  $lines  northing and easting of both ends
     * @param  list<array{string, float, float, float, float}>  $texts  text, northing, easting, height, turn
     * @param  list<array{float, float, float}>  $bubbles  northing, easting, radius
     * @return array<string, GridLine> by name, in the order they come
     */
    private static function found(array $lines, array $texts, array $bubbles = []): array
    {
        $layer = new DrawingLayer('ALL', 0);
        foreach ($lines as [$n, $e, $n2, $e2]) {
            $layer->add(ShapeKind::Line, 1, 0, [$e, $n, NAN, $e2, $n2, NAN, 0.0, 0.0, 0.0]);
        }
        foreach ($texts as [$text, $n, $e, $height, $turn]) {
            $layer->add(ShapeKind::Text, 1, 0, [$e, $n, NAN, $height, $turn, (float) $layer->addString($text), 0.0, 0.0, 0.0]);
        }
        foreach ($bubbles as [$n, $e, $radius]) {
            $layer->add(ShapeKind::Circle, 1, 0, [$e, $n, NAN, $radius, 0.0, 0.0, 0.0, 0.0, 0.0]);
        }
        $found = [];
        foreach (GridRecognition::in([$layer]) as $line) {
            $found["$line->name"] = $line;
        }

        return $found;
    }

    /** A text of one letter whose middle is there. @return array{string, float, float, float, float} */
    private static function text(string $name, float $n, float $e, float $height = 0.5, float $turn = 0.0): array
    {
        $half = [0.35 * $height * strlen($name), 0.5 * $height];

        return [
            $name, $n - $half[0] * sin($turn) - $half[1] * cos($turn), $e - $half[0] * cos($turn) + $half[1] * sin($turn), $height, $turn,
        ];
    }

    /** Pieces of a line to the north point a hair to the west and a hair to the east, up and down: one line all the same. */
    #[DataProvider('directions')]
    public function test_a_dashed_line_is_one_whichever_way_it_and_its_pieces_run(float $azimuth): void
    {
        $from = new Position(5e6, 3e6);
        $pieces = [];
        for ($i = 0; $i < 12; $i++) {
            $bent = $azimuth + ($i % 3 - 1) * 4e-4;
            $a = $from->along($azimuth, 1.5 * $i);
            $b = $a->along($bent, 1.0);
            [$a, $b] = $i % 2 === 0 ? [$a, $b] : [$b, $a];
            $pieces[] = [$a->northing, $a->easting, $b->northing, $b->easting];
        }
        $end = $from->along($azimuth, 17.5);
        $found = self::found($pieces, [self::text('7', $end->northing, $end->easting)]);
        self::assertEqualsWithDelta(17.5, $found['7']->from->distanceTo($found['7']->to), 1e-3);
    }

    /** @return iterable<string, array{float}> */
    public static function directions(): iterable
    {
        foreach ([0, 1e-4, -1e-4, M_PI - 1e-4, M_PI, M_PI + 1e-4, M_PI_2, 0.02, 1.01, 2.9, 4.4] as $azimuth) {
            yield "$azimuth rad" => [$azimuth];
        }
    }

    /** @param  array{float, float, float, float}  $second */
    #[DataProvider('secondPieces')]
    public function test_a_piece_belongs_to_a_line_within_two_centimetres_and_two_milliradians(array $second, bool $joined): void
    {
        $found = self::found([[0, 0, 0, 10], $second], [self::text('A', 0, -0.5)]);
        self::assertEqualsWithDelta($joined ? 16.0 : 10.0, $found['A']->from->distanceTo($found['A']->to), 1e-3);
    }

    /** @return iterable<string, array{array{float, float, float, float}, bool}> */
    public static function secondPieces(): iterable
    {
        yield 'on its line' => [[0, 12, 0, 16], true];
        yield 'beside it by 19 mm' => [[0.019, 12, 0.019, 16], true];
        yield 'beside it by 21 mm' => [[0.021, 12, 0.021, 16], false];
        yield 'on the other side by 19 mm' => [[-0.019, 12, -0.019, 16], true];
        yield 'on the other side by 21 mm' => [[-0.021, 12, -0.021, 16], false];
        yield 'begins on it, and is 24 mm off at its end' => [[0.017, 12, 0.024, 16], false];
        yield 'turned by 1.9 mrad' => [[0.0, 12, 4 * 1.9e-3, 16], true];
        yield 'turned by 2.1 mrad' => [[0.0, 12, 4 * 2.1e-3, 16], false];
        yield 'turned back by 1.9 mrad' => [[4 * 1.9e-3, 16, 0.0, 12], true];
        yield 'turned back by 2.1 mrad' => [[4 * 2.1e-3, 16, 0.0, 12], false];
    }

    public function test_a_line_is_long_from_three_tenths_of_the_longest_on(): void
    {
        $names = [self::text('A', 0, -0.3), self::text('B', 5, -0.3), self::text('C', 10, -0.3)];
        $found = self::found([[0, 0, 0, 10], [5, 0, 5, 3.01], [10, 0, 10, 2.99]], $names);
        self::assertSame(['A', 'B'], array_map(strval(...), array_keys($found)));
        self::assertSame([], self::found([], $names));
        self::assertSame([], self::found([[0, 0, 0, 0.01]], [self::text('A', 0, 0)]), 'a dot is no line');
    }

    /** Six heights beyond the end, three back, and about two beside: measured from the middle of the text, however it is turned. */
    public function test_a_name_stands_by_an_end_of_its_line(): void
    {
        foreach ([0.0, 0.7, M_PI_2, M_PI, -2.0] as $turn) {
            foreach (['A', 'AB'] as $name) {
                foreach ([[2.95, 0, 1], [3.05, 0, 0], [-1.45, 0, 1], [-1.55, 0, 0], [0.5, 1.03, 1], [0.5, -1.03, 1], [0.5, 1.07, 0], [0.5, -1.07, 0]] as [$beyond, $beside, $is]) {
                    $says = "$name turned by $turn, $beyond beyond and $beside beside";
                    self::assertCount($is, self::found([[0, 0, 0, 10]], [self::text($name, $beside, 10 + $beyond, 0.5, $turn)]), $says);
                    self::assertCount($is, self::found([[0, 10, 0, 0]], [self::text($name, $beside, -$beyond, 0.5, $turn)]), "$says, other end");
                }
            }
        }
    }

    /** A name in a bubble reaches as far as the bubble says, from the bubble's middle. */
    public function test_a_name_in_a_bubble_stands_where_the_bubble_does(): void
    {
        $in = static fn (float $beyond, float $radius, float $beside = 0.0): int => count(self::found(
            [[0, 0, 0, 10]], [self::text('A', 0.3 + $beside, 10 + $beyond + 0.3)], [[$beside, 10 + $beyond, $radius]],
        ));
        self::assertSame(1, $in(1.58, 1.0));
        self::assertSame(0, $in(1.62, 1.0), 'farther than the bubble reaches, though the name alone would');
        self::assertSame(1, $in(1.0, 1.0, 0.55));
        self::assertSame(0, $in(1.0, 1.0, 0.57));
        // A name beside the bubble is not in it, and a ring as wide as a hall is no bubble.
        self::assertSame(1, $in(2.5, 0.4));
        self::assertSame(1, $in(2.5, 4.0));
    }

    public function test_the_nearest_name_counts_and_each_name_and_line_once(): void
    {
        $found = self::found([[0, 0, 0, 10], [20, 0, 20, 10]], [
            self::text('B', 0, 11.0), self::text('A', 0, 10.5), self::text('A', 20, 11.0), self::text('C', 20, 11.5),
        ]);
        self::assertSame([['A', 0.0], ['C', 20.0]], array_map(static fn (GridLine $l) => [$l->name, $l->from->northing], array_values($found)));
        // Beside the line weighs five times what is beyond its end.
        $found = self::found([[0, 0, 0, 10]], [self::text('A', 0.21, 10.0), self::text('B', 0, 11.0)]);
        self::assertSame(['B'], array_keys($found));
        $found = self::found([[0, 0, 0, 10]], [self::text('A', 0.19, 10.0), self::text('B', 0, 11.0)]);
        self::assertSame(['A'], array_keys($found));
    }

    public function test_letters_come_first_and_each_family_in_its_order(): void
    {
        $lines = $names = [];
        foreach (['10', 'B', '2', 'AA', 'A', '1'] as $i => $name) {
            $lines[] = [10.0 * $i, 0, 10.0 * $i, 10];
            $names[] = self::text($name, 10.0 * $i, -0.5);
        }
        self::assertSame(['A', 'AA', 'B', '1', '2', '10'], array_map(static fn (GridLine $l) => $l->name, array_values(self::found($lines, $names))));
    }

    /** From its southern end, or its western one: between north-west and south-east it is west that counts. */
    public function test_a_line_runs_from_its_southern_end_or_its_western_one(): void
    {
        foreach ([0 => 0, 44 => 44, 46 => 46, 90 => 90, 134 => 134, 136 => 316, 180 => 0, 270 => 90, 314 => 134, 316 => 316] as $drawn => $kept) {
            $end = (new Position(0.0, 0.0))->along(deg2rad($drawn), 10.0);
            $line = self::found([[0, 0, $end->northing, $end->easting]], [self::text('A', $end->northing, $end->easting)])['A'];
            self::assertEqualsWithDelta(0.0, sin($line->from->azimuthTo($line->to) - deg2rad($kept)), 1e-9, "$drawn");
            self::assertGreaterThan(0.0, cos($line->from->azimuthTo($line->to) - deg2rad($kept)), "$drawn");
        }
    }
}
