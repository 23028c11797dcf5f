<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Adjustment\Cholesky;

/**
 * How far something that stands leans, by all shots on it: a plane, or an axis, fitted by least squares, so that a wall turned in plan does not lean by that. How far it
 * may be wrong is said with it; with nothing spare, by the shots' own deviation.
 *
 * Source: any handbook of adjustment, linear regression (recalled).
 */
final readonly class Plumb
{
    /** Shots closer above one another say nothing of it, metres. */
    public const LEAST = 0.5;

    /** Shots nearer to one line up the wall than this say nothing of how it is turned, metres. */
    private const LEAST_ALONG = 0.2;

    /** 95 %, of normal deviations. */
    private const TWO_SIDED = 1.96;

    /**
     * @param  float  $north  how far its upper part stands to the north of where it would stand upright, metres
     * @param  float  $height  from the lowest shot to the highest, metres
     * @param  float  $uncertain  of the lean in any direction, 95 %, metres over the height
     * @param  float|null  $turn  of a face, how far it is turned in plan over the length, metres: positive where its far end stands farther out; null where nothing tells it
     * @param  float  $length  between the outermost shots along the face, metres
     * @param  float|null  $turnUncertain  95 %, metres over the length
     */
    private function __construct(
        public float $north,
        public float $east,
        public float $height,
        public float $uncertain,
        public ?float $turn = null,
        public float $length = 0.0,
        public ?float $turnUncertain = null,
    ) {}

    /**
     * @param  list<array{float, float, float}>  $shots  height, and how far to the north and to the east each lies from where it is designed, metres
     * @param  float  $shot  standard deviation of one shot in one direction, metres
     */
    public static function ofAxis(array $shots, float $shot): ?self
    {
        $heights = array_column($shots, 0);
        $height = self::reach($heights);
        if ($height < self::LEAST) {
            return null;
        }
        $rows = array_map(static fn (float $h): array => [1.0, $h], $heights);
        [$north, $q, $leftNorth] = self::fitted($rows, array_column($shots, 1));
        [$east, , $leftEast] = self::fitted($rows, array_column($shots, 2));
        $spare = 2 * (count($shots) - 2);

        return new self($north[1] * $height, $east[1] * $height, $height, self::uncertainty($shot, $leftNorth + $leftEast, $spare, $q[1]) * $height);
    }

    /**
     * @param  list<array{float, float, float}>  $shots  metres along the face, height, and how far in front of its design
     * @param  float  $azimuth  outward of the face, radians
     * @param  float  $shot  standard deviation of one shot square to the face, metres
     */
    public static function ofFace(array $shots, float $azimuth, float $shot): ?self
    {
        [$along, $heights, $before] = [array_column($shots, 0), array_column($shots, 1), array_column($shots, 2)];
        [$height, $length] = [self::reach($heights), self::reach($along)];
        if ($height < self::LEAST) {
            return null;
        }
        $rows = array_map(static fn (float $u, float $h): array => [1.0, $h, $u], $along, $heights);
        $turns = $length >= self::LEAST_ALONG;
        if ($turns && ! self::isSpread($along, $heights)) {
            // All in one slanting line: a wall that is turned and one that leans look the same.
            return null;
        }
        [$found, $q, $left] = self::fitted($turns ? $rows : array_map(static fn (array $r): array => [$r[0], $r[1]], $rows), $before);
        $spare = count($shots) - count($found);
        $lean = $found[1] * $height;

        return new self(
            $lean * cos($azimuth), $lean * sin($azimuth), $height, self::uncertainty($shot, $left, $spare, $q[1]) * $height,
            $turns ? $found[2] * $length : null, $length, $turns ? self::uncertainty($shot, $left, $spare, $q[2]) * $length : null,
        );
    }

    /** @param  list<float>  $of */
    private static function reach(array $of): float
    {
        return $of === [] ? 0.0 : max($of) - min($of);
    }

    /**
     * Whether shots tell height and length apart: they lie beside one slanting line.
     *
     * @param  list<float>  $along
     * @param  list<float>  $heights
     */
    private static function isSpread(array $along, array $heights): bool
    {
        $n = max(1, count($along));
        [$u, $v] = [array_sum($along) / $n, array_sum($heights) / $n];
        $uu = $uv = $vv = 0.0;
        foreach ($along as $i => $a) {
            [$x, $y] = [$a - $u, $heights[$i] - $v];
            [$uu, $uv, $vv] = [$uu + $x * $x, $uv + $x * $y, $vv + $y * $y];
        }

        return $n > 2 && $uu * $vv - $uv * $uv > 1e-4 * $uu * $vv;
    }

    /**
     * Least squares, by the normal equations about the middle of the rows.
     *
     * @param  list<list<float>>  $rows  the first of each is 1
     * @param  list<float>  $values
     * @return array{list<float>, list<float>, float} unknowns, root of their cofactors, and the squares left
     */
    private static function fitted(array $rows, array $values): array
    {
        $n = max(1, count($rows));
        $size = count($rows[0] ?? []);
        $middle = array_map(static fn (int $k) => array_sum(array_column($rows, $k)) / $n, range(0, $size - 1));
        $mean = array_sum($values) / $n;
        // Of each unknown beyond the mean, how far its coefficients lie from their middle.
        $columns = array_map(static fn (int $k) => array_map(static fn (float $v) => $v - $middle[$k], array_column($rows, $k)), range(1, $size - 1));
        $dot = static fn (array $a, array $b): float => array_sum(array_map(static fn (float $x, float $y) => $x * $y, $a, $b));
        $off = array_map(static fn (float $v) => $v - $mean, $values);
        $right = array_map(static fn (array $c) => $dot($c, $off), $columns);
        $inverse = Cholesky::invert(array_map(static fn (array $a) => array_map(static fn (array $b) => $dot($a, $b), $columns), $columns));
        $found = [$mean];
        foreach ($inverse as $row) {
            $found[] = array_sum(array_map(static fn (float $q, float $r) => $q * $r, $row, $right));
        }
        foreach ($columns as $k => $column) {
            $off = array_map(static fn (float $o, float $c) => $o - $found[$k + 1] * $c, $off, $column);
        }

        return [$found, [sqrt(1 / $n), ...array_map(static fn (int $k) => sqrt($inverse[$k][$k]), array_keys($inverse))], $dot($off, $off)];
    }

    /** By the shots' own deviation, or by what is left of them where that is more; 95 %. */
    private static function uncertainty(float $shot, float $left, int $spare, float $cofactor): float
    {
        return self::TWO_SIDED * max($shot, $spare > 1 ? sqrt($left / $spare) : 0.0) * $cofactor;
    }

    /** How far in a direction, metres over the height. */
    public function along(float $azimuth): float
    {
        return $this->north * cos($azimuth) + $this->east * sin($azimuth);
    }

    public function lean(): float
    {
        return hypot($this->north, $this->east);
    }

    /** Whether it leans by more than its shots may be wrong. */
    public function proves(): bool
    {
        return $this->lean() > $this->uncertain;
    }

    /** One in so many; null where it stands upright, or nothing is proven. */
    public function oneIn(): ?float
    {
        return $this->lean() < 1e-9 || ! $this->proves() ? null : $this->height / $this->lean();
    }
}
