<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

/** Geometry far from the body of the work: a forgotten block at the origin, a second site. */
final readonly class StrayGeometry
{
    private const SAMPLE = 20_000;

    /** Beyond the middle half by so many times its own width, to each side. */
    private const FAR = 12.0;

    /** More than this part of the whole is no stray but another part of the work. */
    private const AT_MOST = 0.2;

    /**
     * @param  array{float, float, float, float}|null  $body  extent of the rest
     * @param  int  $count  shapes that lie far off
     * @param  list<array{layer: string, count: int, easting: float, northing: float}>  $places  by layer, with one of the places
     */
    private function __construct(
        public ?array $body,
        public int $count,
        public array $places,
    ) {}

    /** @param  list<DrawingLayer>  $layers */
    public static function of(array $layers): self
    {
        $extents = array_values(array_filter(array_map(static fn (DrawingLayer $l) => $l->extent(), $layers)));
        $whole = $extents === [] ? null : self::around($extents);
        $total = array_sum(array_map(static fn (DrawingLayer $l) => $l->count, $layers));
        if ($whole === null || $total < 10) {
            return new self($whole, 0, []);
        }
        $step = max(1, intdiv($total, self::SAMPLE));
        $x = $y = [];
        foreach ($layers as $layer) {
            for ($i = 0; $i < $layer->count; $i += $step) {
                [$x[], $y[]] = self::place($layer, $i);
            }
        }
        $home = [...self::fence($x), ...self::fence($y)];
        if ($whole[0] >= $home[0] && $whole[2] <= $home[1] && $whole[1] >= $home[2] && $whole[3] <= $home[3]) {
            return new self($whole, 0, []);
        }

        return self::sort($layers, $home, $whole, $total);
    }

    /**
     * @param  list<DrawingLayer>  $layers
     * @param  array{float, float, float, float}  $home  west, east, south, north
     * @param  array{float, float, float, float}  $whole
     */
    private static function sort(array $layers, array $home, array $whole, int $total): self
    {
        $places = [];
        $body = null;
        $count = 0;
        foreach ($layers as $layer) {
            $far = 0;
            $at = [0.0, 0.0];
            for ($i = 0; $i < $layer->count; $i++) {
                [$x, $y] = self::place($layer, $i);
                if ($x < $home[0] || $x > $home[1] || $y < $home[2] || $y > $home[3]) {
                    $far++;
                    $at = [$x, $y];
                } else {
                    $b = $layer->shape($i)->bounds();
                    $body = $body === null ? $b : [min($body[0], $b[0]), min($body[1], $b[1]), max($body[2], $b[2]), max($body[3], $b[3])];
                }
            }
            if ($far > 0) {
                $places[] = ['layer' => $layer->name, 'count' => $far, 'easting' => $at[0], 'northing' => $at[1]];
                $count += $far;
            }
        }

        return $count === 0 || $count > self::AT_MOST * $total ? new self($whole, 0, []) : new self($body, $count, $places);
    }

    /** @return array{float, float} middle of a line, centre or place of the rest */
    private static function place(DrawingLayer $layer, int $i): array
    {
        $b = $layer->shape($i)->bounds();

        return [($b[0] + $b[2]) / 2, ($b[1] + $b[3]) / 2];
    }

    /**
     * @param  list<float>  $values
     * @return array{float, float}
     */
    private static function fence(array $values): array
    {
        sort($values);
        $low = $values[intdiv(count($values), 4)];
        $high = $values[intdiv(3 * count($values), 4)];
        $wide = max($high - $low, 1e-3 * abs($values[intdiv(count($values), 2)]), 1.0);

        return [$low - self::FAR * $wide, $high + self::FAR * $wide];
    }

    /**
     * @param  non-empty-list<array{float, float, float, float}>  $extents
     * @return array{float, float, float, float}
     */
    private static function around(array $extents): array
    {
        return [
            min(array_column($extents, 0)), min(array_column($extents, 1)), max(array_column($extents, 2)),
            max(array_column($extents, 3)),
        ];
    }
}
