<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Spline;

/**
 * Turns a record into the pieces it is drawn with, in the plane and unit it is drawn in. True geometry: an arc is an arc.
 * Groups, angles and flags as in the published DXF reference.
 *
 * A piece is its kind, its values (as in Shape; an ellipse with its axes in space, see Transform::apply), and its text or curve.
 *
 * @phpstan-type Piece array{0: ShapeKind, 1: list<float>, 2?: string|Spline}
 */
final class Pieces
{
    /** Entities that become pieces; INSERT and DIMENSION are placed by their blocks. */
    public const READ = [
        'LINE' => true, 'LWPOLYLINE' => true, 'POLYLINE' => true, 'ARC' => true,
        'CIRCLE' => true, 'ELLIPSE' => true, 'SPLINE' => true, 'POINT' => true,
        'TEXT' => true, 'MTEXT' => true, 'ATTRIB' => true, '3DFACE' => true, 'SOLID' => true, 'TRACE' => true, 'HATCH' => true,
        'LEADER' => true, 'MULTILEADER' => true, 'MLEADER' => true, 'MLINE' => true, 'MESH' => true,
    ];

    /** Drawn in space: their extrusion says nothing about where they lie. */
    public const IN_SPACE = [
        'LINE' => true, 'POINT' => true, 'MTEXT' => true, 'ELLIPSE' => true, 'SPLINE' => true, '3DFACE' => true, 'LEADER' => true,
        'MULTILEADER' => true, 'MLEADER' => true, 'MLINE' => true, 'MESH' => true,
    ];

    public const ANNOTATION = ['DIMENSION' => true, 'LEADER' => true, 'MULTILEADER' => true, 'MLEADER' => true];

    /** @return list<Piece> */
    public static function of(Record $r, DxfText $text): array
    {
        return match ($r->type) {
            'LINE' => [[ShapeKind::Line, [...$r->place(10), ...$r->place(11)]]],
            'ARC' => self::arc($r),
            'CIRCLE' => $r->needed(40) === 0.0 ? [] : [[ShapeKind::Circle, [...$r->place(10), abs($r->real(40))]]],
            'ELLIPSE' => self::ellipse($r),
            'SPLINE' => self::spline($r),
            'POINT' => [[ShapeKind::Point, $r->place(10)]],
            'TEXT', 'ATTRIB' => self::text($r, $text),
            'MTEXT' => [[ShapeKind::Text, [...$r->place(10), $r->real(40), self::mtextTurn($r), 0.0], $text->plainMtext(self::mtext($r))]],
            'LWPOLYLINE' => Polylines::light($r),
            'POLYLINE' => Polylines::heavy($r),
            '3DFACE' => self::face($r),
            'SOLID', 'TRACE' => self::solid($r),
            'HATCH' => HatchOutline::of($r),
            'LEADER' => $r->integer(72) === 1 && ($curve = Spline::through($r->points(10))) !== null
                ? [self::curve($curve)]
                : Polylines::open($r->points(10)),
            'MULTILEADER', 'MLEADER' => Multileader::of($r, $text),
            'MLINE' => ManySided::multiline($r),
            'MESH' => ManySided::mesh($r),
            default => [],
        };
    }

    /** @return Piece */
    public static function curve(Spline $curve): array
    {
        return [ShapeKind::Spline, [...$curve->at(0.0), ...$curve->at(1.0), 0.0, 0.0], $curve];
    }

    /** @return float sweep counter-clockwise in degrees, above 0 to 360 */
    public static function sweep(float $from, float $to): float
    {
        $sweep = fmod($to - $from, 360.0);

        return $sweep <= 0 ? $sweep + 360 : $sweep;
    }

    /** @return list<Piece> */
    private static function arc(Record $r): array
    {
        return $r->needed(40) === 0.0 ? [] : [[
            ShapeKind::Arc,
            [...$r->place(10), abs($r->real(40)), deg2rad($r->needed(50)), deg2rad(self::sweep($r->real(50), $r->needed(51)))],
        ]];
    }

    /** @return list<Piece> */
    private static function ellipse(Record $r): array
    {
        [$u, $ratio] = [$r->place(11), $r->real(40, 1.0)];
        $n = [$r->real(210), $r->real(220), $r->real(230, 1.0)];
        $length = sqrt($n[0] ** 2 + $n[1] ** 2 + $n[2] ** 2);
        if ($length === 0.0 || $ratio === 0.0 || $u === [0.0, 0.0, 0.0]) {
            return [];
        }
        $f = $ratio / $length;
        $v = [$f * ($n[1] * $u[2] - $n[2] * $u[1]), $f * ($n[2] * $u[0] - $n[0] * $u[2]), $f * ($n[0] * $u[1] - $n[1] * $u[0])];
        $start = $r->real(41);
        $sweep = fmod($r->real(42, 2 * M_PI) - $start, 2 * M_PI);

        return [[ShapeKind::Ellipse, [...$r->place(10), ...$u, ...$v, $start, $sweep <= 1e-12 ? $sweep + 2 * M_PI : $sweep]]];
    }

    /** @return list<Piece> */
    private static function spline(Record $r): array
    {
        $knots = $weights = [];
        foreach ($r->pairs() as $code => $value) {
            if ($code === 40) {
                $knots[] = $r->number($code, $value);
            } elseif ($code === 41) {
                $weights[] = $r->number($code, $value);
            }
        }
        $tangent = static fn (int $x): ?array => $r->has($x) ? [$r->real($x), $r->real($x + 10), $r->real($x + 20)] : null;
        $curve = Spline::of($r->integer(71, 3), $knots, $r->points(10), $weights)
            ?? Spline::through(self::closed($r->points(11), $r), $tangent(12), $tangent(13));

        return $curve === null ? [] : [self::curve($curve)];
    }

    /**
     * @param  list<array{float, float, float}>  $points
     * @return list<array{float, float, float}>
     */
    private static function closed(array $points, Record $r): array
    {
        return ($r->integer(70) & 1) === 1 && $points !== [] && $points[0] !== end($points) ? [...$points, $points[0]] : $points;
    }

    /**
     * A text that is aligned stands at its second point.
     *
     * @return list<Piece>
     */
    private static function text(Record $r, DxfText $text): array
    {
        // Bit 1 of an attribute: not drawn.
        if ($r->type === 'ATTRIB' && ($r->integer(70) & 1) === 1) {
            return [];
        }
        $aligned = ($r->integer(72) !== 0 || $r->integer($r->type === 'ATTRIB' ? 74 : 73) !== 0) && $r->has(11);
        $at = $r->place($aligned ? 11 : 10);

        return [[ShapeKind::Text, [...$at, $r->real(40), deg2rad($r->real(50)), 0.0], $text->plain($r->text(1))]];
    }

    private static function mtext(Record $r): string
    {
        $parts = '';
        foreach ($r->pairs() as $code => $value) {
            // What follows code 101 repeats the text in another form.
            if ($code === 101) {
                break;
            }
            if ($code === 3 || $code === 1) {
                $parts .= rtrim((string) $value, "\r\n");
            }
        }

        return $parts;
    }

    private static function mtextTurn(Record $r): float
    {
        return $r->has(11) ? atan2($r->real(21), $r->real(11)) : deg2rad($r->real(50));
    }

    /**
     * Edges that are not marked invisible, and the face in two triangles (one where it has three corners).
     *
     * @return list<Piece>
     */
    private static function face(Record $r): array
    {
        $corner = static fn (int $k): array => $r->place(10 + $k);
        $corners = [$corner(0), $corner(1), $corner(2)];
        if ($r->has(13) && $corner(3) !== $corners[2]) {
            $corners[] = $corner(3);
        }
        $hidden = $r->integer(70);
        $edges = [];
        foreach ($corners as $k => $p) {
            // In a triangle the third edge runs from the third corner to the first, and is the fourth of the record.
            $bit = count($corners) === 3 && $k === 2 ? 8 : 1 << $k;
            if (($hidden & $bit) === 0) {
                $edges[] = [ShapeKind::Line, [...$p, ...$corners[($k + 1) % count($corners)]]];
            }
        }

        return [...$edges, ...self::triangles($corners)];
    }

    /**
     * @param  list<array{float, float, float}>  $corners  three or four
     * @return list<Piece>
     */
    public static function triangles(array $corners): array
    {
        $faces = [[ShapeKind::Face, [...$corners[0], ...$corners[1], ...$corners[2]]]];
        if (isset($corners[3])) {
            $faces[] = [ShapeKind::Face, [...$corners[0], ...$corners[2], ...$corners[3]]];
        }

        return $faces;
    }

    /**
     * The outline of a filled shape; its third and fourth corner are stored crosswise.
     *
     * @return list<Piece>
     */
    private static function solid(Record $r): array
    {
        $corner = static fn (int $k): array => $r->place(10 + $k);
        $corners = $r->has(13) && $corner(3) !== $corner(2)
            ? [$corner(0), $corner(1), $corner(3), $corner(2)]
            : [$corner(0), $corner(1), $corner(2)];

        return Polylines::open([...$corners, $corners[0]]);
    }
}
