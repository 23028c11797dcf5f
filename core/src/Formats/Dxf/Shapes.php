<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Design\ShapeKind;

/** Turns an entity into the shapes it is made of, in its own drawing units. Bulges and angles as in the published DXF reference. */
final class Shapes
{
    /** Entity types that become shapes; INSERT is placed by the reader. */
    public const READ = ['LINE', 'LWPOLYLINE', 'POLYLINE', 'ARC', 'CIRCLE', 'POINT', 'TEXT', 'MTEXT'];

    /** @return list<array{ShapeKind, list<float>}> texts carry 0 for the index of their string */
    public static function of(Entity $e): array
    {
        return match ($e->type) {
            'LINE' => [[ShapeKind::Line, [$e->real(10), $e->real(20), $e->real(30), $e->real(11), $e->real(21), $e->real(31)]]],
            'ARC' => self::arc($e),
            'CIRCLE' => [[ShapeKind::Circle, [$e->real(10), $e->real(20), $e->real(30), abs($e->real(40))]]],
            'POINT' => [[ShapeKind::Point, [$e->real(10), $e->real(20), $e->real(30)]]],
            'TEXT' => [[ShapeKind::Text, [...self::textPlace($e), $e->real(40), deg2rad($e->real(50)), 0.0]]],
            'MTEXT' => [[ShapeKind::Text, [$e->real(10), $e->real(20), $e->real(30), $e->real(40), self::mtextTurn($e), 0.0]]],
            'LWPOLYLINE' => self::chain(self::lightVertices($e), ($e->integer(70) & 1) === 1),
            'POLYLINE' => self::polyline($e),
            default => [],
        };
    }

    /** @return list<array{ShapeKind, list<float>}> */
    private static function arc(Entity $e): array
    {
        $sweep = fmod($e->real(51) - $e->real(50), 360.0);

        return [[ShapeKind::Arc, [$e->real(10), $e->real(20), $e->real(30), abs($e->real(40)), deg2rad($e->real(50)), deg2rad($sweep <= 0 ? $sweep + 360 : $sweep)]]];
    }

    /**
     * A text that is aligned stands at its second point.
     *
     * @return array{float, float, float}
     */
    private static function textPlace(Entity $e): array
    {
        $aligned = ($e->integer(72) !== 0 || $e->integer(73) !== 0) && $e->has(11);

        return $aligned ? [$e->real(11), $e->real(21), $e->real(31)] : [$e->real(10), $e->real(20), $e->real(30)];
    }

    private static function mtextTurn(Entity $e): float
    {
        return $e->has(11) ? atan2($e->real(21), $e->real(11)) : deg2rad($e->real(50));
    }

    /** @return list<array{float, float, float, float}> x, y, z, bulge */
    private static function lightVertices(Entity $e): array
    {
        $z = $e->real(38);
        $vertices = [];
        foreach ($e->tags as [$code, $value, $line]) {
            $last = count($vertices) - 1;
            if ($code === 10) {
                $vertices[] = [Entity::number($value, $line), 0.0, $z, 0.0];
            } elseif ($code === 20 && $last >= 0) {
                $vertices[$last][1] = Entity::number($value, $line);
            } elseif ($code === 42 && $last >= 0) {
                $vertices[$last][3] = Entity::number($value, $line);
            }
        }

        return array_values($vertices);
    }

    /**
     * Meshes and polyfaces (flags 16 and 64) are left to a later reader.
     *
     * @return list<array{ShapeKind, list<float>}>
     */
    private static function polyline(Entity $e): array
    {
        $flags = $e->integer(70);
        $vertices = [];
        foreach ($e->vertices as $v) {
            // Flag 16 marks the frame of a smoothed curve, which is not drawn.
            if (($v->integer(70) & 16) === 0) {
                $vertices[] = [$v->real(10), $v->real(20), ($flags & 8) === 8 ? $v->real(30) : $e->real(30), $v->real(42)];
            }
        }

        return ($flags & (16 | 64)) !== 0 ? [] : self::chain($vertices, ($flags & 1) === 1);
    }

    /**
     * @param  list<array{float, float, float, float}>  $vertices
     *  @return list<array{ShapeKind, list<float>}>
     */
    private static function chain(array $vertices, bool $closed): array
    {
        $count = count($vertices);
        $shapes = [];
        for ($i = 0; $i < ($closed ? $count : $count - 1); $i++) {
            $piece = self::segment($vertices[$i], $vertices[($i + 1) % $count]);
            if ($piece !== null) {
                $shapes[] = $piece;
            }
        }

        return $shapes;
    }

    /**
     * The bulge is the tangent of a quarter of the included angle, positive counter-clockwise.
     *  @param  array{float, float, float, float}  $p
     *  @param  array{float, float, float, float}  $q
     *  @return array{ShapeKind, list<float>}|null null for no length
     */
    private static function segment(array $p, array $q): ?array
    {
        [$dx, $dy, $bulge] = [$q[0] - $p[0], $q[1] - $p[1], $p[3]];
        $chord = hypot($dx, $dy);
        if ($chord === 0.0 && $p[2] === $q[2]) {
            return null;
        }
        if (abs($bulge) < 1e-9 || $chord === 0.0) {
            return [ShapeKind::Line, [$p[0], $p[1], $p[2], $q[0], $q[1], $q[2]]];
        }
        $radius = $chord * (1 + $bulge ** 2) / (4 * abs($bulge));
        $toCentre = (1 - $bulge ** 2) / (4 * $bulge);
        $cx = ($p[0] + $q[0]) / 2 - $dy * $toCentre;
        $cy = ($p[1] + $q[1]) / 2 + $dx * $toCentre;

        return [ShapeKind::Arc, [$cx, $cy, $p[2], $radius, atan2($p[1] - $cy, $p[0] - $cx), 4 * atan($bulge)]];
    }
}
