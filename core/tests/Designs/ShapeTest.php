<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Designs;

use Parlay\Core\Designs\Alike;
use Parlay\Core\Designs\DrawingComparison;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Figures of single pieces against places found one by one along them. */
final class ShapeTest extends TestCase
{
    public function test_what_round_pieces_reach_is_what_their_places_reach(): void
    {
        mt_srand(12);
        foreach (range(1, 300) as $k) {
            $start = self::between(-7.0, 7.0);
            $sweep = self::between(-6.28, 6.28);
            $shapes = [
                new Shape(ShapeKind::Arc, $k, [self::between(-50, 50), self::between(-50, 50), 3.0, self::between(1, 9), $start, $sweep]),
                new Shape(ShapeKind::Ellipse, $k, [
                    self::between(-50, 50), self::between(-50, 50), 3.0, self::between(-9, 9), self::between(-9, 9), self::between(-9, 9), self::between(-9, 9), $start, $sweep,
                ]),
                new Shape(ShapeKind::Circle, $k, [self::between(-50, 50), self::between(-50, 50), 3.0, self::between(1, 9)]),
            ];
            foreach ($shapes as $shape) {
                $places = array_map(static fn (int $i) => $shape->pointAt($i / 4000), range(0, 4000));
                $e = array_map(static fn ($p) => $p->easting, $places);
                $n = array_map(static fn ($p) => $p->northing, $places);
                self::assertEqualsWithDelta([min($e), min($n), max($e), max($n)], $shape->bounds(), 2e-4, $shape->kind->word()." of turn $k");
                $way = array_sum(array_map(static fn ($p, $q): float => $p->distanceTo($q), array_slice($places, 1), array_slice($places, 0, -1)));
                self::assertEqualsWithDelta($way, $shape->length(), 1e-4);
                self::assertSame(3.0, $places[7]->elevation);
            }
        }
    }

    public function test_a_circle_begins_in_the_east_and_runs_to_the_left(): void
    {
        $circle = new Shape(ShapeKind::Circle, 1, [100.0, 200.0, NAN, 2.0]);
        foreach ([[0.0, 102.0, 200.0], [0.25, 100.0, 202.0], [0.5, 98.0, 200.0], [0.75, 100.0, 198.0]] as [$part, $east, $north]) {
            $p = $circle->pointAt($part);
            self::assertEqualsWithDelta([$east, $north], [$p->easting, $p->northing], 1e-12);
            self::assertNull($p->elevation);
        }
    }

    public function test_a_triangle_reaches_its_three_corners(): void
    {
        $face = new Shape(ShapeKind::Face, 1, [4.0, 1.0, 0.0, 2.0, 9.0, 0.0, 7.0, 5.0, 0.0]);
        self::assertSame([2.0, 1.0, 7.0, 9.0], $face->bounds());
        self::assertNull($face->length());
        self::assertNull($face->anchor());
    }

    public function test_ellipses_are_alike_in_both_their_axes_only(): void
    {
        $layer = new DrawingLayer('E', 0);
        $turned = static fn (float $a, float $b, float $t): array => [0.0, 0.0, NAN, $a * cos($t), $a * sin($t), -$b * sin($t), $b * cos($t), 0.0, 2 * M_PI];
        foreach ([[3.0, 2.0, 0.0], [3.0, 2.0, 1.1], [2.0, 3.0, 0.4], [2.9, 2.0, 0.0], [3.1, 2.0, 0.0], [3.0, 1.9, 0.0], [3.0, 2.1, 0.0]] as $i => [$a, $b, $t]) {
            $layer->add(ShapeKind::Ellipse, $i, 0, $turned($a, $b, $t));
        }
        $half = $turned(3.0, 2.0, 0.0);
        $half[8] = M_PI;
        $layer->add(ShapeKind::Ellipse, 7, 0, $half);
        self::assertSame([0, 1, 2], Alike::ellipses($layer, $layer->shape(0)));
    }

    public function test_outlines_are_alike_in_length_and_in_area(): void
    {
        $layer = new DrawingLayer('O', 0);
        $place = 0;
        // Of one length and another area, of one area and another length, and a little larger than what counts as the same.
        foreach ([[4.0, 4.0], [3.0, 5.0], [2.0, 8.0], [4.0, 4.0], [4.0, 4.003], [4.0, 4.006], [4.0, 3.994]] as $k => [$w, $h]) {
            $corners = [[0.0, 0.0], [$w, 0.0], [$w, $h], [0.0, $h], [0.0, 0.0]];
            for ($i = 0; $i < 4; $i++) {
                $layer->add(ShapeKind::Line, $place++, 0, [30.0 * $k + $corners[$i][0], $corners[$i][1], NAN, 30.0 * $k + $corners[$i + 1][0], $corners[$i + 1][1], NAN]);
            }
        }
        self::assertSame([0, 12, 16], array_map(min(...), Alike::outlines($layer, 1)));
        self::assertSame([0, 12, 16, 20, 24], array_map(min(...), Alike::outlines($layer, 1, 4e-3)));
    }

    public function test_a_triangle_that_only_went_elsewhere_was_moved_and_one_of_another_form_is_new(): void
    {
        $at = static function (array ...$faces): DrawingLayer {
            $layer = new DrawingLayer('F', 0);
            foreach ($faces as $i => [$x, $y, $bx, $by]) {
                $layer->add(ShapeKind::Face, $i, 0, [$x, $y, 0.0, $x + 3.0, $y + 1.0, 0.0, $x + $bx, $y + $by, 0.0]);
            }

            return $layer;
        };
        $moved = DrawingComparison::between(['F' => $at([0.0, 0.0, 1.0, 4.0])], ['F' => $at([0.3, 0.4, 1.0, 4.0])]);
        self::assertSame([0, 0, 1], [count($moved->added), count($moved->gone), count($moved->moved)]);
        self::assertEqualsWithDelta(0.5, $moved->moved[0][2], 1e-9);
        foreach ([[0.0, 0.0, 1.2, 4.0], [0.0, 0.0, 1.0, 4.2]] as $other) {
            $bent = DrawingComparison::between(['F' => $at([0.0, 0.0, 1.0, 4.0])], ['F' => $at($other)]);
            self::assertSame([0, 0, 0, 1], [$bent->unchanged, count($bent->added), count($bent->gone), count($bent->moved)]);
            self::assertEqualsWithDelta(0.2, $bent->moved[0][2], 1e-9);
        }
    }

    /** What begins where it did and ends elsewhere has moved, in plan or in height. */
    #[DataProvider('bent')]
    public function test_what_ends_elsewhere_has_moved(ShapeKind $kind, array $before, array $after, float $by): void
    {
        $layer = static function (array $v) use ($kind): DrawingLayer {
            $layer = new DrawingLayer('L', 0);
            $layer->add($kind, 1, 0, $v);

            return $layer;
        };
        $c = DrawingComparison::between(['L' => $layer($before)], ['L' => $layer($after)]);
        self::assertSame([0, 1], [$c->unchanged, count($c->moved)]);
        self::assertEqualsWithDelta($by, $c->moved[0][2], 1e-9);
        $same = DrawingComparison::between(['L' => $layer($before)], ['L' => $layer($before)]);
        self::assertSame([1, 0], [$same->unchanged, count($same->moved)]);
    }

    /** @return array<string, array{ShapeKind, list<float>, list<float>, float}> */
    public static function bent(): array
    {
        $ellipse = [5.0, 5.0, 1.0, 3.0, 0.0, 0.0, 2.0, 0.0, 2 * M_PI];

        return [
            'a line whose far end rose' => [ShapeKind::Line, [0.0, 0.0, 1.0, 9.0, 0.0, 1.0], [0.0, 0.0, 1.0, 9.0, 0.0, 1.25], 0.25],
            'a line whose far end went' => [ShapeKind::Line, [0.0, 0.0, NAN, 9.0, 0.0, NAN], [0.0, 0.0, NAN, 9.3, 0.4, NAN], 0.5],
            'a triangle whose last corner rose' => [
                ShapeKind::Face, [0.0, 0.0, 1.0, 9.0, 0.0, 1.0, 0.0, 9.0, 1.0], [0.0, 0.0, 1.0, 9.0, 0.0, 1.0, 0.0, 9.0, 1.5], 0.5,
            ],
            'an arc that runs on' => [ShapeKind::Arc, [0.0, 0.0, 1.0, 2.0, 0.0, 1.0], [0.0, 0.0, 1.0, 2.0, 0.0, 1.5], 4.0 * sin(0.25)],
            'an arc of another radius' => [ShapeKind::Arc, [0.0, 0.0, 1.0, 2.0, 0.0, 1.0], [0.0, 0.0, 1.0, 2.5, 0.0, 1.0], 0.5],
            'a circle that grew' => [ShapeKind::Circle, [0.0, 0.0, 1.0, 2.0], [0.0, 0.0, 1.0, 2.3], 0.3],
            'an ellipse that grew wider' => [ShapeKind::Ellipse, $ellipse, array_replace($ellipse, [6 => 2.4]), 0.4],
        ];
    }

    private static function between(float $from, float $to): float
    {
        return $from + ($to - $from) * mt_rand() / mt_getrandmax();
    }
}
