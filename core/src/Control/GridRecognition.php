<?php

declare(strict_types=1);

namespace Parlay\Core\Control;

use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/** Finds grid lines in a drawing: long straight lines with a short name, often in a bubble, beyond one of their ends or both. */
final class GridRecognition
{
    /** A line is long from this part of the longest on. */
    private const LONG = 0.3;

    /** Pieces of one dashed line lie within this of each other's line, metres, and turn by less than this, radians. */
    private const IN_LINE = 0.02;

    private const TURN = 2e-3;

    /** Pieces are looked for among those of much the same direction: so many sectors of half a turn. */
    private const SECTORS = 157;

    /** A name stands within so many of its heights of the end of its line. */
    private const NEAR = 6.0;

    /** @var list<array{Position, Position}> */
    private array $lines = [];

    /** @var list<array{string, Position, float}> name, middle of what carries it, reach */
    private array $names = [];

    /** @var list<array{Position, float}> */
    private array $bubbles = [];

    private function __construct() {}

    /**
     * @param  list<DrawingLayer>  $layers
     * @return list<GridLine> letters first, each family in the order of its names
     */
    public static function in(array $layers): array
    {
        $self = new self;
        foreach ($layers as $layer) {
            $self->collect($layer);
        }
        $self->lines = self::joined($self->lines);
        $longest = $self->lines === [] ? 0.0 : max(array_map(static fn (array $l) => $l[0]->distanceTo($l[1]), $self->lines));
        $self->lines = array_values(array_filter($self->lines, static fn (array $l) => $l[0]->distanceTo($l[1]) >= self::LONG * $longest));

        return $self->named();
    }

    private function collect(DrawingLayer $layer): void
    {
        for ($i = 0; $i < $layer->count; $i++) {
            $shape = $layer->shape($i);
            match ($shape->kind) {
                ShapeKind::Line => $this->lines[] = [$shape->pointAt(0.0)->at(null), $shape->pointAt(1.0)->at(null)],
                ShapeKind::Circle => $this->bubbles[] = [$shape->pointAt(0.0)->along(-M_PI_2, $shape->v[3]), $shape->v[3]],
                ShapeKind::Text => $this->text($shape, trim($layer->strings[(int) $shape->v[5]] ?? '')),
                default => null,
            };
        }
    }

    /** The middle of a text is what a line points at. */
    private function text(Shape $shape, string $text): void
    {
        if (! GridNames::isName($text)) {
            return;
        }
        $this->names[] = [$text, $shape->middleOfText($text), self::NEAR * $shape->v[3]];
    }

    /**
     * Dashed lines are often drawn in pieces: those on one line are one.
     *
     * @param  list<array{Position, Position}>  $pieces
     * @return list<array{Position, Position}>
     */
    private static function joined(array $pieces): array
    {
        usort($pieces, static fn (array $a, array $b) => $b[0]->distanceTo($b[1]) <=> $a[0]->distanceTo($a[1]));
        $whole = [];
        $index = [];
        foreach ($pieces as [$a, $b]) {
            if ($a->distanceTo($b) < self::IN_LINE) {
                continue;
            }
            $key = (int) floor(fmod($a->azimuthTo($b), M_PI) * self::SECTORS / M_PI) % self::SECTORS;
            // A line to the north has pieces in the first sector and, drawn a hair to the west, in the last.
            $near = [$key, ($key + 1) % self::SECTORS, ($key + self::SECTORS - 1) % self::SECTORS];
            foreach (array_merge(...array_map(static fn (int $k): array => $index[$k] ?? [], $near)) as $k) {
                $line = Line::through($whole[$k][0], $whole[$k][1]);
                if (abs($line->right($a)) < self::IN_LINE
                    && abs($line->right($b)) < self::IN_LINE
                    && abs(sin($line->azimuth - $a->azimuthTo($b))) < self::TURN) {
                    $along = [0.0, $whole[$k][0]->distanceTo($whole[$k][1]), $line->along($a), $line->along($b)];
                    $whole[$k] = [$line->at(min($along)), $line->at(max($along))];

                    continue 2;
                }
            }
            $index[$key][] = count($whole);
            $whole[] = [$a, $b];
        }

        return array_values($whole);
    }

    /** @return list<GridLine> */
    private function named(): array
    {
        $best = [];
        foreach ($this->names as [$name, $middle, $reach]) {
            [$at, $reach] = $this->bubbleAround($middle, $reach);
            foreach ($this->lines as $i => [$from, $to]) {
                foreach ([[$from, $to], [$to, $from]] as [$end, $other]) {
                    $line = Line::through($other, $end);
                    $beyond = $line->along($at) - $other->distanceTo($end);
                    $off = abs($line->right($at));
                    if ($beyond > -0.5 * $reach && $beyond < $reach && $off < 0.35 * $reach) {
                        $score = ($off + 0.2 * abs($beyond)) / $reach;
                        $best[] = [$score, $name, $i];
                    }
                }
            }
        }
        usort($best, static fn (array $a, array $b) => $a[0] <=> $b[0]);
        $lines = $taken = [];
        foreach ($best as [, $name, $i]) {
            // Both ends of a line carry its name; the nearest name counts where they differ.
            if (! isset($lines[$name]) && ! isset($taken[$i])) {
                $taken[$i] = true;
                $lines[$name] = new GridLine((string) $name, GridNames::family((string) $name), ...self::ordered(...$this->lines[$i]));
            }
        }
        usort($lines, static fn (GridLine $a, GridLine $b) => $a->family <=> $b->family ?: strnatcmp($a->name, $b->name));

        return $lines;
    }

    /** @return array{Position, float} the bubble that a name stands in, and how far from its middle a line may end */
    private function bubbleAround(Position $middle, float $reach): array
    {
        foreach ($this->bubbles as [$centre, $radius]) {
            if ($centre->distanceTo($middle) < $radius && $radius < $reach) {
                return [$centre, 1.6 * $radius];
            }
        }

        return [$middle, $reach];
    }

    /**
     * From its southern end, or its western one.
     *
     * @return array{Position, Position}
     */
    private static function ordered(Position $a, Position $b): array
    {
        return abs(Angle::signed($a->azimuthTo($b) - M_PI_4)) <= M_PI_2 ? [$a, $b] : [$b, $a];
    }
}
