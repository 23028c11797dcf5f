<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Designs\ShapeKind;

/**
 * Polylines of all sorts as the lines and arcs they are made of. Widths are a matter of drawing and are ignored.
 *
 * @phpstan-import-type Piece from Pieces
 */
final class Polylines
{
    private const CLOSED = 1;

    private const IN_SPACE = 8;

    private const MESH = 16;

    private const MESH_CLOSED_ACROSS = 32;

    private const POLYFACE = 64;

    /** Of a vertex: the frame that a smoothed curve follows, which is not drawn. */
    private const FRAME = 16;

    private const FACE = 128;

    /** @return list<Piece> */
    public static function light(Record $r): array
    {
        $z = $r->real(38);
        $vertices = [];
        $last = -1;
        $given = 0;
        // Polylines are most of a drawing: the lists are walked as they are.
        $values = $r->values;
        foreach ($r->codes as $i => $code) {
            if ($code === 10) {
                $vertices[++$last] = [$r->number(10, $values[$i]), 0.0, $z, 0.0];
            } elseif ($code === 20 && $last >= 0) {
                $vertices[$last][1] = $r->number(20, $values[$i]);
                $given++;
            } elseif ($code === 42 && $last >= 0 && $values[$i] !== '0.0') {
                $vertices[$last][3] = $r->number(42, $values[$i]);
            }
        }
        if ($given < count($vertices)) {
            throw UnreadableDrawing::missing($r->at(), $r->type, 20);
        }

        /** @var list<array{float, float, float, float}> $vertices  filled field by field */
        return self::chain($vertices, ($r->integer(70) & self::CLOSED) !== 0);
    }

    /** @return list<Piece> */
    public static function heavy(Record $r): array
    {
        $flags = $r->integer(70);
        if (($flags & self::POLYFACE) !== 0) {
            return self::polyface($r);
        }
        if (($flags & self::MESH) !== 0) {
            return self::mesh($r, $flags);
        }
        $z = $r->real(30);
        $vertices = [];
        foreach ($r->vertices as [$x, $y, $height, $bulge, $kind]) {
            if (($kind & self::FRAME) === 0) {
                $vertices[] = [$x, $y, ($flags & self::IN_SPACE) !== 0 ? $height : $z, ($flags & self::IN_SPACE) !== 0 ? 0.0 : $bulge];
            }
        }

        return self::chain($vertices, ($flags & self::CLOSED) !== 0);
    }

    /** Drawn on its own plane, unless it runs in space. */
    public static function runsInSpace(Record $r): bool
    {
        return ($r->integer(70) & (self::IN_SPACE | self::MESH | self::POLYFACE)) !== 0;
    }

    /**
     * @param  list<array{float, float, float}>  $points
     * @return list<Piece>
     */
    public static function open(array $points): array
    {
        return self::chain(array_map(static fn (array $p): array => [$p[0], $p[1], $p[2], 0.0], $points), false);
    }

    /**
     * @param  list<array{float, float, float, float}>  $vertices  x, y, z, bulge
     * @return list<Piece>
     */
    public static function chain(array $vertices, bool $closed): array
    {
        $count = count($vertices);
        $pieces = $empty = [];
        for ($i = 0, $n = $closed ? $count : $count - 1; $i < $n; $i++) {
            [$p, $q] = [$vertices[$i], $vertices[$i + 1 < $count ? $i + 1 : 0]];
            $piece = $p[3] === 0.0 && $p[0] !== $q[0]
                ? [ShapeKind::Line, [$p[0], $p[1], $p[2], $q[0], $q[1], $q[2]]]
                : self::segment($p, $q);
            if ($piece !== null) {
                $pieces[] = $piece;
            } elseif ($i + 1 < $count) {
                $empty[] = [ShapeKind::Line, [$p[0], $p[1], $p[2], $q[0], $q[1], $q[2]]];
            }
        }

        // A vertex that stands twice is counted and cleared away with all lines without length; the closing one is a way of writing.
        return $pieces === [] ? [] : [...$pieces, ...$empty];
    }

    /**
     * The bulge is the tangent of a quarter of the included angle, positive counter-clockwise.
     *
     * @param  array{float, float, float, float}  $p
     * @param  array{float, float, float, float}  $q
     * @return Piece|null null for no length
     */
    private static function segment(array $p, array $q): ?array
    {
        [$dx, $dy, $bulge] = [$q[0] - $p[0], $q[1] - $p[1], $p[3]];
        $straight = $bulge < 1e-9 && $bulge > -1e-9;
        if ($dx === 0.0 && $dy === 0.0) {
            return $p[2] === $q[2] ? null : [ShapeKind::Line, [$p[0], $p[1], $p[2], $q[0], $q[1], $q[2]]];
        }
        if ($straight) {
            return [ShapeKind::Line, [$p[0], $p[1], $p[2], $q[0], $q[1], $q[2]]];
        }
        $radius = sqrt($dx * $dx + $dy * $dy) * (1 + $bulge * $bulge) / (4 * abs($bulge));
        $toCentre = (1 - $bulge * $bulge) / (4 * $bulge);
        $cx = ($p[0] + $q[0]) / 2 - $dy * $toCentre;
        $cy = ($p[1] + $q[1]) / 2 + $dx * $toCentre;

        return [ShapeKind::Arc, [$cx, $cy, $p[2], $radius, atan2($p[1] - $cy, $p[0] - $cx), 4 * atan($bulge)]];
    }

    /**
     * Corners first, then faces that name their corners from 1; a negative name hides the edge that begins there.
     *
     * @return list<Piece>
     */
    private static function polyface(Record $r): array
    {
        $corners = $faces = [];
        foreach ($r->vertices as [$x, $y, $z, , $kind, $face]) {
            if (($kind & self::FACE) !== 0 && ($kind & self::POLYFACE) === 0) {
                $faces[] = $face;
            } else {
                $corners[] = [$x, $y, $z];
            }
        }
        $edges = $triangles = [];
        foreach ($faces as $face) {
            $face = array_values(array_filter($face, static fn (int $k) => $k !== 0 && isset($corners[abs($k) - 1])));
            foreach ($face as $i => $k) {
                [$from, $to] = [abs($k) - 1, abs($face[($i + 1) % count($face)]) - 1];
                if ($k > 0 && $from !== $to) {
                    $edges[min($from, $to).' '.max($from, $to)] = [ShapeKind::Line, [...$corners[$from], ...$corners[$to]]];
                }
            }
            if (count($face) >= 3) {
                array_push(
                    $triangles, ...Pieces::triangles(array_map(static fn (int $k) => $corners[abs($k) - 1], array_slice($face, 0, 4))),
                );
            }
        }

        return [...array_values($edges), ...$triangles];
    }

    /**
     * A net of rows and columns.
     *
     * @return list<Piece>
     */
    private static function mesh(Record $r, int $flags): array
    {
        $smooth = $r->integer(75) !== 0;
        [$rows, $columns] = $smooth ? [$r->integer(73), $r->integer(74)] : [$r->integer(71), $r->integer(72)];
        $net = array_values(array_filter($r->vertices, static fn (array $v) => ! $smooth || ($v[4] & self::FRAME) === 0));
        if ($rows < 2 || $columns < 2 || count($net) < $rows * $columns) {
            return [];
        }
        $at = static fn (int $i, int $k): array => array_slice($net[($i % $rows) * $columns + $k % $columns], 0, 3);
        $downLast = ($flags & self::CLOSED) !== 0 ? $rows : $rows - 1;
        $acrossLast = ($flags & self::MESH_CLOSED_ACROSS) !== 0 ? $columns : $columns - 1;
        $edges = $faces = [];
        for ($i = 0; $i < $rows; $i++) {
            for ($k = 0; $k < $columns; $k++) {
                if ($i < $downLast) {
                    $edges[] = [ShapeKind::Line, [...$at($i, $k), ...$at($i + 1, $k)]];
                }
                if ($k < $acrossLast) {
                    $edges[] = [ShapeKind::Line, [...$at($i, $k), ...$at($i, $k + 1)]];
                }
                if ($i < $downLast && $k < $acrossLast) {
                    array_push($faces, ...Pieces::triangles([$at($i, $k), $at($i, $k + 1), $at($i + 1, $k + 1), $at($i + 1, $k)]));
                }
            }
        }

        return [...$edges, ...$faces];
    }
}
