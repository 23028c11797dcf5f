<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

use Parlay\Core\Cogo\Enclosed;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;

/** Things of one kind on a layer, all at once: numbers of the shapes in the order in which they are drawn. */
final class Alike
{
    /** Places nearer than this are one, metres. */
    private const SAME = 1e-3;

    /**
     * @param  float|null  $radius  metres, null for all circles
     * @return list<int>
     */
    public static function circles(DrawingLayer $layer, ?float $radius, float $tolerance = 1e-3): array
    {
        return self::where(
            $layer,
            static fn (Shape $s) => $s->kind === ShapeKind::Circle && ($radius === null || abs($s->v[3] - $radius) <= $tolerance),
        );
    }

    /**
     * Circles of blocks that are stretched: whole ellipses of the same size, however they lie.
     *
     * @return list<int>
     */
    public static function ellipses(DrawingLayer $layer, Shape $like, float $tolerance = 1e-3): array
    {
        $size = self::semiAxes($like);

        return self::where($layer, static function (Shape $s) use ($size, $tolerance): bool {
            if ($s->kind !== ShapeKind::Ellipse || abs($s->v[8]) < 2 * M_PI - 1e-6) {
                return false;
            }
            [$a, $b] = self::semiAxes($s);

            return abs($a - $size[0]) <= $tolerance && abs($b - $size[1]) <= $tolerance;
        });
    }

    /** @return array{float, float} the longer first, metres: of centre + u cos t + v sin t by the singular values of u and v */
    private static function semiAxes(Shape $s): array
    {
        [, , , $ux, $uy, $vx, $vy] = $s->v;
        $sum = $ux * $ux + $uy * $uy + $vx * $vx + $vy * $vy;
        $area = abs($ux * $vy - $uy * $vx);
        $root = sqrt(max(0.0, $sum * $sum / 4 - $area * $area));

        return [sqrt($sum / 2 + $root), sqrt(max(0.0, $sum / 2 - $root))];
    }

    /** @return list<int> */
    public static function insertions(DrawingLayer $layer, string $block): array
    {
        return self::where(
            $layer, static fn (Shape $s) => $s->kind === ShapeKind::Insert && ($layer->strings[(int) $s->v[4]] ?? '') === $block,
        );
    }

    /** @return array<string, int> how often each block is inserted on the layer */
    public static function blocks(DrawingLayer $layer): array
    {
        $blocks = [];
        foreach (self::where($layer, static fn (Shape $s) => $s->kind === ShapeKind::Insert) as $i) {
            $name = $layer->strings[(int) $layer->shape($i)->v[4]] ?? '';
            $blocks[$name] = ($blocks[$name] ?? 0) + 1;
        }

        return $blocks;
    }

    /**
     * Ends of lines and arcs, each place once.
     *
     * @param  list<int>|null  $numbers  of some shapes only
     * @return list<array{int, bool}> number of the shape, and whether it is its end rather than its beginning
     */
    public static function ends(DrawingLayer $layer, ?array $numbers = null): array
    {
        $known = $ends = [];
        foreach ($numbers ?? range(0, max(0, $layer->count - 1)) as $i) {
            if ($i < 0 || $i >= $layer->count) {
                continue;
            }
            $shape = $layer->shape($i);
            if ($shape->kind !== ShapeKind::Line && $shape->kind !== ShapeKind::Arc) {
                continue;
            }
            foreach ([false, true] as $end) {
                $p = $shape->pointAt($end ? 1.0 : 0.0);
                if (! self::known($known, $p)) {
                    $ends[] = [$i, $end];
                }
            }
        }

        return $ends;
    }

    /**
     * Closed outlines of the same size as one of them: as many corners, the same length and area.
     *
     * @return list<list<int>> numbers of the pieces of each, in order
     * @throws NoConstruction where the one touched is not closed
     */
    public static function outlines(DrawingLayer $layer, int $like, float $tolerance = 2e-3): array
    {
        $model = self::outline($layer, $like)
            ?? throw NoConstruction::contradiction('What was touched is not closed: its end is not its beginning.');
        $found = [];
        $used = [];
        for ($i = 0; $i < $layer->count; $i++) {
            if (isset($used[$i])) {
                continue;
            }
            $numbers = ConnectedPieces::numbers($layer, $i);
            foreach ($numbers as $n) {
                $used[$n] = true;
            }
            $measure = count($numbers) === count($model[0]) ? self::measured($layer, $numbers) : null;
            if ($measure !== null
                && abs($measure[0] - $model[1][0]) <= 4 * $tolerance
                && abs($measure[1] - $model[1][1]) <= $tolerance * $model[1][0]) {
                $found[] = $numbers;
            }
        }

        return $found;
    }

    /** @return array{list<int>, array{float, float}}|null */
    private static function outline(DrawingLayer $layer, int $number): ?array
    {
        $numbers = ConnectedPieces::numbers($layer, $number);
        $measured = self::measured($layer, $numbers);

        return $measured === null ? null : [$numbers, $measured];
    }

    /**
     * @param  list<int>  $numbers
     * @return array{float, float}|null length and area; null where it is not closed
     */
    private static function measured(DrawingLayer $layer, array $numbers): ?array
    {
        try {
            $polyline = Polyline::of(array_merge(...array_map(static fn (int $i) => ShapeLegs::of($layer->shape($i)), $numbers)));

            return $polyline->isClosed() ? [$polyline->length(), Enclosed::by($polyline)->area] : null;
        } catch (NoConstruction) {
            return null;
        }
    }

    /**
     * @param  callable(Shape): bool  $is
     * @return list<int>
     */
    private static function where(DrawingLayer $layer, callable $is): array
    {
        $numbers = [];
        for ($i = 0; $i < $layer->count; $i++) {
            if ($is($layer->shape($i))) {
                $numbers[] = $i;
            }
        }

        return $numbers;
    }

    /** @param  array<string, list<Position>>  $known */
    private static function known(array &$known, Position $p): bool
    {
        $cell = static fn (int $n, int $e): string => (floor($p->northing / self::SAME) + $n).' '.(floor($p->easting / self::SAME) + $e);
        foreach ([0, -1, 1] as $n) {
            foreach ([0, -1, 1] as $e) {
                foreach ($known[$cell($n, $e)] ?? [] as $other) {
                    if ($other->distanceTo($p) < self::SAME) {
                        return true;
                    }
                }
            }
        }
        $known[$cell(0, 0)][] = $p;

        return false;
    }
}
