<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

/**
 * What changed from one revision of a drawing to the next: added, gone, moved and by how much. Shapes are compared by layer, kind and
 * place.
 */
final class DrawingComparison
{
    /** Nearer than this is the same place, metres: nobody stakes finer, and a drawing that was placed anew differs by less. */
    private const SAME = 5e-4;

    /** Things alike within this may be one thing, changed a little, metres. */
    private const ALIKE = 0.01;

    /** A thing farther off than this is another one, metres. */
    private const FARTHEST = 25.0;

    /** A line of another length, or a circle of another size, is the same one where no part of it went farther than this, metres. */
    private const RESHAPED = 2.0;

    public int $unchanged = 0;

    /** @var list<Shape> in their new place */
    public array $added = [];

    /** @var list<Shape> in their old place */
    public array $gone = [];

    /** @var list<array{Shape, Shape, float}> before, after, metres */
    public array $moved = [];

    /** @var array<string, array{added: int, gone: int, moved: int, farthest: float}> by layer */
    public array $byLayer = [];

    /**
     * @var array<string, array<int, int>> by layer: where each shape went, from its number before to its number after; gone ones are
     *     missing
     */
    public array $successors = [];

    private function __construct() {}

    /**
     * @param  array<string, DrawingLayer>  $before  by name
     * @param  array<string, DrawingLayer>  $after
     */
    public static function between(array $before, array $after): self
    {
        $comparison = new self;
        foreach (array_unique([...array_keys($before), ...array_keys($after)]) as $name) {
            $comparison->layer((string) $name, $before[$name] ?? null, $after[$name] ?? null);
        }

        return $comparison;
    }

    private function layer(string $name, ?DrawingLayer $before, ?DrawingLayer $after): void
    {
        $old = self::byPlace($before);
        $went = $new = [];
        for ($i = 0, $n = $after === null ? 0 : $after->count; $i < $n; $i++) {
            $shape = $after->shape($i);
            $key = self::form($after, $shape).self::where($shape);
            if (isset($old[$key]) && $old[$key] !== []) {
                $went[array_key_last($old[$key])] = $i;
                array_pop($old[$key]);
                $this->unchanged++;
            } else {
                $new[self::form($after, $shape)][$i] = $shape;
            }
        }
        $left = [];
        foreach ($old as $shapes) {
            foreach ($shapes as $i => $shape) {
                $left[self::form($before, $shape)][$i] = $shape;
            }
        }
        $counts = [count($this->added), count($this->gone), count($this->moved)];
        $more = [];
        foreach ($new as $form => $shapes) {
            [$left[$form], $more[$form]] = $this->pair($left[$form] ?? [], $shapes, self::FARTHEST, $went);
        }
        [$left, $more] = [self::byKin($before, $left), self::byKin($after, $more)];
        foreach ($more as $kin => $shapes) {
            [$left[$kin], $rest] = $this->pair($left[$kin] ?? [], $shapes, self::RESHAPED, $went);
            array_push($this->added, ...array_values($rest));
        }
        array_push($this->gone, ...array_merge(...array_map(array_values(...), array_values($left))));
        $this->successors[$name] = $went;
        $moved = array_slice($this->moved, $counts[2]);
        $change = [
            'added' => count($this->added) - $counts[0], 'gone' => count($this->gone) - $counts[1], 'moved' => count($moved),
            'farthest' => $moved === [] ? 0.0 : max(array_column($moved, 2)),
        ];
        if ($change['added'] + $change['gone'] + $change['moved'] > 0) {
            $this->byLayer[$name] = $change;
        }
    }

    /** @return array<string, array<int, Shape>> by their numbers */
    private static function byPlace(?DrawingLayer $layer): array
    {
        $shapes = [];
        for ($i = 0, $n = $layer === null ? 0 : $layer->count; $i < $n; $i++) {
            $shape = $layer->shape($i);
            $shapes[self::form($layer, $shape).self::where($shape)][$i] = $shape;
        }

        return $shapes;
    }

    /**
     * Things alike, the nearest two first.
     *
     * @param  array<int, Shape>  $old
     * @param  array<int, Shape>  $new
     * @param  array<int, int>  $went
     * @return array{array<int, Shape>, array<int, Shape>} old and new ones that found no partner
     */
    private function pair(array $old, array $new, float $farthest, array &$went): array
    {
        // Past this many of one form, which went where can't be told.
        if ($old === [] || count($old) * count($new) > 250_000) {
            return [$old, $new];
        }
        $pairs = [];
        foreach ($old as $i => $p) {
            foreach ($new as $k => $q) {
                $d = self::distance($p, $q);
                if ($d <= $farthest) {
                    $pairs[] = [$d, $i, $k];
                }
            }
        }
        usort($pairs, static fn (array $a, array $b) => $a[0] <=> $b[0]);
        foreach ($pairs as [$d, $i, $k]) {
            if (isset($old[$i], $new[$k])) {
                if ($d < self::SAME) {
                    $this->unchanged++;
                } else {
                    $this->moved[] = [$old[$i], $new[$k], $d];
                }
                $went[$i] = $k;
                unset($old[$i], $new[$k]);
            }
        }

        return [$old, $new];
    }

    /** The farthest way that any part of it went: its place, its other corners and ends, its radius. */
    private static function distance(Shape $p, Shape $q): float
    {
        [$v, $w] = [$p->v, $q->v];
        $ways = [hypot($w[0] - $v[0], $w[1] - $v[1]), $w[2] - $v[2], ...match ($p->kind) {
            ShapeKind::Line => [hypot($w[3] - $v[3], $w[4] - $v[4]), $w[5] - $v[5]],
            ShapeKind::Spline => [hypot($w[3] - $v[3], $w[4] - $v[4]), $w[5] - $v[5], $w[7] - $v[7]],
            ShapeKind::Face => [hypot($w[3] - $v[3], $w[4] - $v[4]), $w[5] - $v[5], hypot($w[6] - $v[6], $w[7] - $v[7]), $w[8] - $v[8]],
            ShapeKind::Circle => [$w[3] - $v[3]],
            ShapeKind::Arc, ShapeKind::Ellipse => array_map(static fn (float $part): float => $p->pointAt($part)->distanceTo($q->pointAt($part)), [0.0, 0.25, 0.5, 0.75, 1.0]),
            default => [],
        }];

        // A height that either does not have is none that went.
        return max(array_map(static fn (float $way): float => is_nan($way) ? 0.0 : abs($way), $ways));
    }

    private static function where(Shape $s): string
    {
        return '@'
            .implode(' ', array_map(static fn (float $x) => is_nan($x) ? 'n' : (string) round($x / self::SAME), array_slice($s->v, 0, 3)));
    }

    /** All of a shape but its place, roughly. */
    private static function form(?DrawingLayer $layer, Shape $s): string
    {
        $v = $s->v;
        $rest = match ($s->kind) {
            ShapeKind::Line => [$v[3] - $v[0], $v[4] - $v[1], $v[5] - $v[2]],
            ShapeKind::Spline => [$v[3] - $v[0], $v[4] - $v[1], $v[5] - $v[2], $v[7]],
            ShapeKind::Face => [$v[3] - $v[0], $v[4] - $v[1], $v[5] - $v[2], $v[6] - $v[0], $v[7] - $v[1], $v[8] - $v[2]],
            ShapeKind::Text => [$v[3], $v[4]],
            ShapeKind::Insert => [$v[3]],
            default => array_slice($v, 3),
        };

        return $s->kind->value.implode(' ', array_map(static fn (float $x) => is_nan($x) ? 'n' : (string) round($x / self::ALIKE), $rest))
            .'|'.self::words($layer, $s);
    }

    private static function words(?DrawingLayer $layer, Shape $s): string
    {
        return match ($s->kind) {
            ShapeKind::Text => $layer?->strings[(int) $s->v[5]] ?? '',
            ShapeKind::Insert => $layer?->strings[(int) $s->v[4]] ?? '',
            default => '',
        };
    }

    /**
     * What is left, by kind and words alone.
     *
     * @param  array<string, array<int, Shape>>  $byForm
     * @return array<string, array<int, Shape>>
     */
    private static function byKin(?DrawingLayer $layer, array $byForm): array
    {
        $byKin = [];
        foreach ($byForm as $shapes) {
            foreach ($shapes as $i => $shape) {
                $byKin[$shape->kind->value.'|'.self::words($layer, $shape)][$i] = $shape;
            }
        }

        return $byKin;
    }
}
