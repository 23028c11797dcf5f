<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Spline;

/**
 * The outlines of a hatch: paths that are polylines, or edges one after another.
 *
 * @phpstan-import-type Piece from Pieces
 */
final class HatchOutline
{
    private const POLYLINE = 2;

    /** Codes that end the outlines: style, pattern, seeds. */
    private const AFTER = [75 => true, 76 => true, 98 => true];

    /** @return list<Piece> */
    public static function of(Record $r): array
    {
        $z = $r->real(30);
        $pieces = [];
        foreach (self::paths($r) as [$flags, $groups]) {
            array_push($pieces, ...(($flags & self::POLYLINE) !== 0 ? self::polyline($r, $groups, $z) : self::edges($r, $groups, $z)));
        }

        return $pieces;
    }

    /**
     * @return list<array{int, list<array{int, string|int|float}>}>
     */
    private static function paths(Record $r): array
    {
        $flags = $groups = [];
        $last = -1;
        foreach ($r->pairs() as $code => $value) {
            if ($code === 92) {
                $last++;
                $flags[] = (int) $value;
                $groups[] = [];
            } elseif ($last >= 0 && isset(self::AFTER[$code])) {
                break;
            } elseif ($last >= 0) {
                $groups[$last][] = [$code, $value];
            }
        }

        return array_map(static fn (int $f, array $g): array => [$f, $g], $flags, $groups);
    }

    /**
     * @param  list<array{int, string|int|float}>  $groups
     * @return list<Piece>
     */
    private static function polyline(Record $r, array $groups, float $z): array
    {
        $vertices = [];
        $last = -1;
        $closed = true;
        foreach ($groups as [$code, $value]) {
            if ($code === 10) {
                $vertices[++$last] = [$r->number($code, $value), 0.0, $z, 0.0];
            } elseif ($code === 20 && $last >= 0) {
                $vertices[$last][1] = $r->number($code, $value);
            } elseif ($code === 42 && $last >= 0) {
                $vertices[$last][3] = $r->number($code, $value);
            } elseif ($code === 73) {
                $closed = (int) $value === 1;
            }
        }

        /** @var list<array{float, float, float, float}> $vertices  filled field by field */
        return Polylines::chain($vertices, $closed);
    }

    /**
     * @param  list<array{int, string|int|float}>  $groups
     * @return list<Piece>
     */
    private static function edges(Record $r, array $groups, float $z): array
    {
        $kinds = $codes = $values = [];
        $last = -1;
        foreach ($groups as [$code, $value]) {
            if ($code === 72) {
                $last++;
                [$kinds[$last], $codes[$last], $values[$last]] = [(int) $value, [], []];
            } elseif ($last >= 0) {
                $codes[$last][] = $code;
                $values[$last][] = $value;
            }
        }
        $pieces = [];
        foreach ($kinds as $i => $kind) {
            $edge = new Record($r->type, $r->place, array_combine(array_reverse($codes[$i]), array_reverse($values[$i])), $codes[$i], $values[$i]);
            $piece = match ($kind) {
                1 => [ShapeKind::Line, [$edge->real(10), $edge->real(20), $z, $edge->real(11), $edge->real(21), $z]],
                2 => self::arc($edge, $z),
                3 => self::ellipse($edge, $z),
                4 => self::spline($edge, $z),
                default => null,
            };
            if ($piece !== null) {
                $pieces[] = $piece;
            }
        }

        return $pieces;
    }

    /**
     * The angles of a clockwise edge are counted clockwise too.
     *
     * @return array{float, float} start and sweep counter-clockwise, degrees
     */
    private static function turn(Record $edge): array
    {
        [$from, $to] = $edge->integer(73, 1) === 1 ? [$edge->real(50), $edge->real(51)] : [-$edge->real(51), -$edge->real(50)];

        return [$from, Pieces::sweep($from, $to)];
    }

    /** @return Piece|null */
    private static function arc(Record $edge, float $z): ?array
    {
        [$start, $sweep] = self::turn($edge);

        return $edge->real(40) === 0.0
            ? null
            : [ShapeKind::Arc, [$edge->real(10), $edge->real(20), $z, abs($edge->real(40)), deg2rad($start), deg2rad($sweep)]];
    }

    /** @return Piece|null */
    private static function ellipse(Record $edge, float $z): ?array
    {
        [$u, $ratio] = [[$edge->real(11), $edge->real(21)], $edge->real(40, 1.0)];
        if ($ratio === 0.0 || $u === [0.0, 0.0]) {
            return null;
        }
        [$start, $sweep] = self::turn($edge);
        // Angles as seen become parameters of the ellipse.
        $parameter = static fn (float $degrees): float => atan2(sin(deg2rad($degrees)) / $ratio, cos(deg2rad($degrees)));
        $from = $parameter($start);
        $turn = $sweep >= 360 - 1e-9 ? 2 * M_PI : fmod($parameter($start + $sweep) - $from + 4 * M_PI, 2 * M_PI);

        return [
            ShapeKind::Ellipse,
            [$edge->real(10), $edge->real(20), $z, $u[0], $u[1], 0.0, -$ratio * $u[1], $ratio * $u[0], 0.0, $from, $turn],
        ];
    }

    /** @return Piece|null */
    private static function spline(Record $edge, float $z): ?array
    {
        $knots = $weights = [];
        foreach ($edge->pairs() as $code => $value) {
            if ($code === 40) {
                $knots[] = $edge->number($code, $value);
            } elseif ($code === 42) {
                $weights[] = $edge->number($code, $value);
            }
        }
        $points = array_map(static fn (array $p): array => [$p[0], $p[1], $z], $edge->points(10));
        $curve = Spline::of($edge->integer(94, 3), $knots, $points, $weights);

        return $curve === null ? null : Pieces::curve($curve);
    }
}
