<?php

declare(strict_types=1);

namespace Parlay\Core\Fit;

use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\ShapeKind;

/** Points, centres of circles, block insertions and texts of a drawing: what control is drawn with. */
final class Spots
{
    /** More than a drawing has control by far; what is drawn with points and blocks comes first. */
    private const MOST = 800;

    /** A label belongs to the mark that stands within so many times its own height. */
    private const LABEL_REACH = 6.0;

    /**
     * @param  list<DrawingLayer>  $layers
     * @param  list<string>  $names  of the control: texts that say one of them are always among the spots
     * @return list<Spot>
     */
    public static function of(array $layers, array $names): array
    {
        $wanted = array_fill_keys(array_map(self::plain(...), $names), true);
        $marks = [1 => [], 2 => [], 3 => []];
        $texts = [];
        foreach ($layers as $layer) {
            $kinds = $layer->kinds();
            if (array_intersect(['point', 'circle', 'insert', 'text'], array_keys($kinds)) === []) {
                continue;
            }
            for ($i = 0; $i < $layer->count; $i++) {
                $s = $layer->shape($i);
                $rank = match ($s->kind) {
                    ShapeKind::Point => 1, ShapeKind::Insert => 2, ShapeKind::Circle => 3, default => 0,
                };
                if ($rank > 0 && count($marks[$rank]) < 20 * self::MOST) {
                    $marks[$rank][] = new Spot($s->v[0], $s->v[1], $s->kind->word());
                } elseif ($s->kind === ShapeKind::Text) {
                    $label = self::plain($layer->strings[(int) $s->v[5]] ?? '');
                    if (isset($wanted[$label])) {
                        $texts[] = [new Spot($s->v[0], $s->v[1], 'text', $label), $s->v[3]];
                    }
                }
            }
        }

        return self::chosen(array_merge(...$marks), $texts);
    }

    /** A name as it is compared: case, blanks and dashes don't count. */
    public static function plain(string $name): string
    {
        return mb_strtoupper(trim($name));
    }

    /**
     * @param  list<Spot>  $marks  those most likely to be control first
     * @param  list<array{Spot, float}>  $texts  with the height of each
     * @return list<Spot>
     */
    private static function chosen(array $marks, array $texts): array
    {
        $spots = $taken = [];
        foreach ($texts as [$text, $height]) {
            $nearest = null;
            $reach = self::LABEL_REACH * max($height, 0.0);
            foreach ($marks as $mark) {
                $d = hypot($mark->x - $text->x, $mark->y - $text->y);
                if ($d <= $reach) {
                    [$nearest, $reach] = [$mark, $d];
                }
            }
            $spots[] = $text;
            if ($nearest !== null) {
                $spots[] = new Spot($nearest->x, $nearest->y, $nearest->what, $text->label);
                $taken[self::key($nearest)] = true;
            }
        }
        foreach ($marks as $mark) {
            if (count($spots) >= self::MOST) {
                break;
            }
            $key = self::key($mark);
            if (! isset($taken[$key])) {
                $taken[$key] = true;
                $spots[] = $mark;
            }
        }

        return $spots;
    }

    private static function key(Spot $s): string
    {
        return round($s->x, 3).' '.round($s->y, 3);
    }
}
