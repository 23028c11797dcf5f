<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

use Parlay\Core\Geometry\Position;

/** All lines and arcs of a layer that one of them runs on into, at ends where just one other joins. */
final class ConnectedPieces
{
    /** Ends nearer than this join, metres. */
    private const JOINS = 1e-3;

    /**
     * @var \WeakMap<DrawingLayer, array{array<string, list<int>>, array<int, Shape>}>|null ends of a layer, found once for many
     *     questions
     */
    private static ?\WeakMap $found = null;

    /** @return list<Shape> in order from one end to the other; a closed line begins with the piece given */
    public static function from(DrawingLayer $layer, int $index): array
    {
        return array_map($layer->shape(...), self::numbers($layer, $index));
    }

    /** @return list<int> their numbers in the layer, in that order */
    public static function numbers(DrawingLayer $layer, int $index): array
    {
        $first = $layer->shape($index);
        if ($first->kind !== ShapeKind::Line && $first->kind !== ShapeKind::Arc) {
            return [$index];
        }
        self::$found ??= new \WeakMap;
        [$ends, $shapes] = self::$found[$layer] ??= self::ends($layer);
        $used = [$index => true];
        $after = self::follow($first->pointAt(1.0), $ends, $shapes, $used);
        $before = self::follow($first->pointAt(0.0), $ends, $shapes, $used);

        return [...array_reverse($before), $index, ...$after];
    }

    /**
     * The pieces of the polyline that a piece belongs to: those that the file gives as one entity, one beginning where the other ends.
     *
     * @return list<Shape>
     */
    public static function ofEntity(DrawingLayer $layer, int $index): array
    {
        $first = $layer->shape($index);
        if ($first->kind !== ShapeKind::Line && $first->kind !== ShapeKind::Arc) {
            return [$first];
        }
        $pieces = [$first];
        for ($i = $index - 1; $i >= 0 && self::goesOn($before = $layer->shape($i), $pieces[0]); $i--) {
            array_unshift($pieces, $before);
        }
        for ($i = $index + 1; $i < $layer->count && self::goesOn($pieces[count($pieces) - 1], $after = $layer->shape($i)); $i++) {
            $pieces[] = $after;
        }

        return $pieces;
    }

    private static function goesOn(Shape $a, Shape $b): bool
    {
        return $a->place === $b->place
            && ($a->kind === ShapeKind::Line || $a->kind === ShapeKind::Arc)
            && ($b->kind === ShapeKind::Line || $b->kind === ShapeKind::Arc)
            && $a->pointAt(1.0)->distanceTo($b->pointAt(0.0)) <= self::JOINS;
    }

    /**
     * @param  array<string, list<int>>  $ends
     * @param  array<int, Shape>  $shapes
     * @param  array<int, true>  $used
     * @return list<int>
     */
    private static function follow(Position $end, array $ends, array $shapes, array &$used): array
    {
        $found = [];
        while (true) {
            $here = array_values(
                array_unique(array_filter(self::around($end, $ends), static fn (int $i) => self::joins($shapes[$i], $end))),
            );
            $next = array_values(array_filter($here, static fn (int $i) => ! isset($used[$i])));
            // Where three meet, which of them goes on can't be told.
            if (count($here) !== 2 || count($next) !== 1) {
                return $found;
            }
            $used[$next[0]] = true;
            $found[] = $next[0];
            $shape = $shapes[$next[0]];
            $end = $shape->pointAt(0.0)->distanceTo($end) <= self::JOINS ? $shape->pointAt(1.0) : $shape->pointAt(0.0);
        }
    }

    private static function joins(Shape $shape, Position $end): bool
    {
        return min($shape->pointAt(0.0)->distanceTo($end), $shape->pointAt(1.0)->distanceTo($end)) <= self::JOINS;
    }

    /** @return array{array<string, list<int>>, array<int, Shape>} numbers of the pieces by the cell their ends lie in */
    private static function ends(DrawingLayer $layer): array
    {
        $ends = $shapes = [];
        for ($i = 0; $i < $layer->count; $i++) {
            $shape = $layer->shape($i);
            if ($shape->kind === ShapeKind::Line || $shape->kind === ShapeKind::Arc) {
                $shapes[$i] = $shape;
                foreach ([0.0, 1.0] as $part) {
                    $p = $shape->pointAt($part);
                    $ends[self::cell($p, 0, 0)][] = $i;
                }
            }
        }

        return [$ends, $shapes];
    }

    /**
     * @param  array<string, list<int>>  $ends
     * @return list<int>
     */
    private static function around(Position $p, array $ends): array
    {
        $found = [];
        foreach ([-1, 0, 1] as $n) {
            foreach ([-1, 0, 1] as $e) {
                array_push($found, ...$ends[self::cell($p, $n, $e)] ?? []);
            }
        }

        return $found;
    }

    private static function cell(Position $p, int $north, int $east): string
    {
        return (floor($p->northing / self::JOINS) + $north).' '.(floor($p->easting / self::JOINS) + $east);
    }
}
