<?php

declare(strict_types=1);

namespace Parlay\Core\Fit;

use Parlay\Core\Control\GridCrossing;
use Parlay\Core\Control\GridLine;
use Parlay\Core\Control\GridRecognition;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\ShapeKind;

/** Crossings of grid lines, of the site and of a drawing, by the names of their two lines: where both have them, they say where the drawing lies. */
final class GridSpots
{
    /** A layer is one of the grid where it has so many of its names. */
    private const LEAST = 3;

    /** What is called so may carry the lines where another layer carries their names. */
    private const CALLED = '~grid|axis|axes~i';

    /** More lines than these are no grid. */
    private const MOST_LINES = 5_000;

    /**
     * @param  list<GridLine>  $lines  of the site
     * @return list<Mark>
     */
    public static function marks(array $lines): array
    {
        return array_map(
            static fn (GridCrossing $c): Mark => new Mark(self::called($lines, $c), $c->position), GridCrossing::all($lines),
        );
    }

    /**
     * @param  list<DrawingLayer>  $layers
     * @param  list<string>  $names  of the grid lines of the site
     * @return list<Spot> in drawing units
     */
    public static function of(array $layers, array $names): array
    {
        $wanted = array_fill_keys(array_map(Spots::plain(...), $names), true);
        $of = array_values(array_filter($layers, static fn (DrawingLayer $l): bool => ($l->kinds()['line'] ?? 0) <= self::MOST_LINES
            && (preg_match(self::CALLED, $l->name) === 1 || self::namesOn($l, $wanted) >= self::LEAST)));
        if (count($wanted) < self::LEAST || $of === []) {
            return [];
        }
        $lines = GridRecognition::in($of);

        return array_map(static fn (GridCrossing $c): Spot => new Spot(
            $c->position->easting, $c->position->northing, 'grid crossing', Spots::plain(self::called($lines, $c)),
        ), GridCrossing::all($lines));
    }

    /** @param  array<string, true>  $wanted */
    private static function namesOn(DrawingLayer $layer, array $wanted): int
    {
        $found = [];
        for ($i = 0; $i < $layer->count && ($layer->kinds()['text'] ?? 0) > 0; $i++) {
            $s = $layer->shape($i);
            $label = $s->kind === ShapeKind::Text ? Spots::plain($layer->strings[(int) $s->v[5]] ?? '') : '';
            if (isset($wanted[$label])) {
                $found[$label] = true;
            }
        }

        return count($found);
    }

    /** @param  list<GridLine>  $lines */
    private static function called(array $lines, GridCrossing $c): string
    {
        return "grid crossing {$lines[$c->first]->name}/{$lines[$c->second]->name}";
    }
}
