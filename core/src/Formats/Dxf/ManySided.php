<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Designs\ShapeKind;

/**
 * Entities that are many lines at once: lines beside one course (MLINE), and faces between the corners of a mesh (MESH). Groups as in the
 * published DXF reference.
 *
 * @phpstan-import-type Piece from Pieces
 */
final class ManySided
{
    /** Of a multiline: it closes. */
    private const CLOSED = 2;

    /**
     * Each of its lines from corner to corner: where the course is, and so far along the mitre there. Breaks in a line are drawn through.
     *
     * @return list<Piece>
     */
    public static function multiline(Record $r): array
    {
        $offsets = [];
        $first = false;
        foreach ($r->pairs() as $code => $value) {
            if ($code === 11) {
                $offsets[] = [];
            } elseif ($code === 41 && $first && $offsets !== []) {
                // The first figure of each line says how far it lies off; those that follow say where it is broken.
                $offsets[count($offsets) - 1][] = $r->number($code, $value);
            }
            $first = $code === 74 || ($first && $code !== 41);
        }

        return self::beside($r->points(11), $r->points(13), $offsets, ($r->integer(71) & self::CLOSED) !== 0);
    }

    /**
     * @param  list<array{float, float, float}>  $corners
     * @param  list<array{float, float, float}>  $mitres
     * @param  list<list<float>>  $offsets  of each corner, one for each line
     * @return list<Piece>
     */
    private static function beside(array $corners, array $mitres, array $offsets, bool $closed): array
    {
        $pieces = [];
        $lines = min([count($mitres) === count($corners) ? PHP_INT_MAX : 0, ...array_map(count(...), $offsets)]);
        for ($k = 0; $k < ($corners === [] ? 0 : $lines); $k++) {
            $places = array_map(static fn (array $c, array $m, array $o): array => [$c[0] + $o[$k] * $m[0], $c[1] + $o[$k] * $m[1], $c[2] + $o[$k] * $m[2]], $corners, $mitres, $offsets);
            array_push($pieces, ...Polylines::open($closed ? [...$places, $places[0]] : $places));
        }

        return $pieces;
    }

    /**
     * Its edges once each, and its faces in triangles.
     *
     * @return list<Piece>
     */
    public static function mesh(Record $r): array
    {
        $corners = $r->points(10);
        $lists = [];
        $open = false;
        foreach ($r->pairs() as $code => $value) {
            if ($code === 93 || $code === 94) {
                $open = $code === 93;
            } elseif ($code === 90 && $open) {
                $lists[] = (int) $r->number($code, $value);
            }
        }
        $edges = $faces = [];
        for ($i = 0, $n = count($lists); $i < $n; $i += $lists[$i] + 1) {
            $loop = $lists[$i] >= 3 ? array_slice($lists, $i + 1, $lists[$i]) : [];
            if ($lists[$i] < 1 || ($lists[$i] >= 3 && count($loop) !== $lists[$i]) || array_diff($loop, array_keys($corners)) !== []) {
                throw UnreadableDrawing::missing($r->at(), $r->type, 90);
            }
            foreach ($loop as $k => $a) {
                $b = $loop[($k + 1) % count($loop)];
                $edges[min($a, $b).' '.max($a, $b)] ??= [ShapeKind::Line, [...$corners[$a], ...$corners[$b]]];
                if ($k >= 2) {
                    $faces[] = [ShapeKind::Face, [...$corners[$loop[0]], ...$corners[$loop[$k - 1]], ...$corners[$a]]];
                }
            }
        }

        return [...array_values($edges), ...$faces];
    }
}
