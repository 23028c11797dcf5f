<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Position;

/** The lines and arcs of a drawing that lie in a box with both ends, each with the text beside it as its name. */
final class LinesInBox
{
    /** A text names a line within so many of its heights. */
    private const BESIDE = 4.0;

    /** Shorter ones are no lines to be staked, metres. */
    private const SHORT = 0.01;

    private const LONGEST_NAME = 60;

    /** Nobody stakes so many at once: more are counted, and not named. */
    private const MOST_NAMED = 2000;

    /**
     * @param  array<int, DrawingLayer>  $layers
     * @param  Position  $southWest  corners of the box
     * @return list<array{int, int, string}> key of the layer, number of the shape in it, and its name; empty where no text lies beside it, or of more than two thousand. Each
     *                                        text names the line nearest to it, and each line has the text nearest to it of those that are left
     */
    public static function of(array $layers, Position $southWest, Position $northEast): array
    {
        $lines = $texts = [];
        foreach ($layers as $key => $layer) {
            for ($i = 0; $i < $layer->count; $i++) {
                $shape = $layer->shape($i);
                if ($shape->kind === ShapeKind::Text) {
                    $text = trim($layer->strings[(int) $shape->v[5]] ?? '');
                    $texts[] = [mb_substr($text, 0, self::LONGEST_NAME), $shape->middleOfText($text), $shape->v[3]];
                } elseif ($shape->kind === ShapeKind::Line || $shape->kind === ShapeKind::Arc) {
                    [$from, $to] = [$shape->pointAt(0.0)->at(null), $shape->pointAt(1.0)->at(null)];
                    if ($from->distanceTo($to) > self::SHORT && self::holds($southWest, $northEast, $from) && self::holds($southWest, $northEast, $to)) {
                        $lines[] = [$key, $i, $from, $to];
                    }
                }
            }
        }
        $near = array_values(array_filter($texts, static fn (array $t) => $t[0] !== '' && self::reaches($southWest, $northEast, $t)));
        $names = count($lines) > self::MOST_NAMED ? [] : self::named($lines, $near);

        return array_map(static fn (array $line, int $i): array => [$line[0], $line[1], $names[$i] ?? ''], $lines, array_keys($lines));
    }

    /** @param  array{string, Position, float}  $text */
    private static function reaches(Position $southWest, Position $northEast, array $text): bool
    {
        $reach = self::BESIDE * $text[2];

        return self::holds(
            new Position($southWest->northing - $reach, $southWest->easting - $reach), new Position($northEast->northing + $reach, $northEast->easting + $reach),
            $text[1],
        );
    }

    private static function holds(Position $southWest, Position $northEast, Position $p): bool
    {
        return $p->northing >= $southWest->northing && $p->northing <= $northEast->northing
            && $p->easting >= $southWest->easting && $p->easting <= $northEast->easting;
    }

    /**
     * @param  list<array{int, int, Position, Position}>  $lines
     * @param  list<array{string, Position, float}>  $texts
     * @return array<int, string> by number of the line
     */
    private static function named(array $lines, array $texts): array
    {
        $pairs = [];
        foreach ($lines as $i => [, , $from, $to]) {
            foreach ($texts as $k => [, $at, $height]) {
                $foot = (new Leg($from, $to))->foot($at);
                $away = $foot === null ? min($at->distanceTo($from), $at->distanceTo($to)) : abs($foot[1]);
                if ($away <= self::BESIDE * $height) {
                    $pairs[] = [$away, $i, $k];
                }
            }
        }
        sort($pairs);
        $names = $used = [];
        foreach ($pairs as [, $i, $k]) {
            if (! isset($names[$i]) && ! isset($used[$k])) {
                $names[$i] = $texts[$k][0];
                $used[$k] = true;
            }
        }

        return $names;
    }
}
