<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Spline;

/** Where entities come to lie. */
final readonly class Transform extends Frame
{
    /** Two lengths or directions differ when they do by more than this part. */
    /** Chords of an upright arc turn by no more, radians: of one metre's radius they stand off it by 2 mm. */
    private const CHORD = M_PI / 24;

    private const SAME = 1e-9;

    /** A uniform scale and nothing else, which most of a drawing is; null for anything more. */
    private ?float $only;

    /** The matrix row by row: a b c x, d e f y, g h i z; x, y and z shift, in drawing units. */
    public function __construct(
        float $a, float $b, float $c, float $x, float $d, float $e, float $f, float $y, float $g, float $h, float $i, float $z,
    ) {
        parent::__construct($a, $b, $c, $x, $d, $e, $f, $y, $g, $h, $i, $z);
        $this->only = $a === $e && $a === $i && $a > 0 && $b === 0.0 && $c === 0.0 && $d === 0.0 && $f === 0.0 && $g === 0.0 && $h === 0.0
            && $x === 0.0 && $y === 0.0 && $z === 0.0 ? $a : null;
    }

    /** @param  float  $factor  the same along all axes */
    public static function scale(float $factor): self
    {
        return new self($factor, 0.0, 0.0, 0.0, 0.0, $factor, 0.0, 0.0, 0.0, 0.0, $factor, 0.0);
    }

    /** A plane similarity: x' = a x - b y + dx, y' = b x + a y + dy; heights stay. */
    public static function plane(float $a, float $b, float $dx, float $dy): self
    {
        return new self($a, -$b, 0.0, $dx, $b, $a, 0.0, $dy, 0.0, 0.0, 1.0, 0.0);
    }

    /** The same, and so much higher. */
    public function raised(float $by): self
    {
        return new self($this->a, $this->b, $this->c, $this->x, $this->d, $this->e, $this->f, $this->y, $this->g, $this->h, $this->i, $this->z + $by);
    }

    /** Northing and easting exchanged. */
    public static function exchange(): self
    {
        return new self(0.0, 1.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0);
    }

    /**
     * From the plane an entity is drawn on to space: the arbitrary axis algorithm of the published DXF reference.
     *
     * @param  array{float, float, float}  $normal  not of zero length
     */
    public static function fromPlane(array $normal): self
    {
        $length = sqrt($normal[0] ** 2 + $normal[1] ** 2 + $normal[2] ** 2);
        [$nx, $ny, $nz] = $length > 0 ? [$normal[0] / $length, $normal[1] / $length, $normal[2] / $length] : [0.0, 0.0, 1.0];
        [$ax, $ay, $az] = abs($nx) < 1 / 64 && abs($ny) < 1 / 64 ? [$nz, 0.0, -$nx] : [-$ny, $nx, 0.0];
        $l = sqrt($ax ** 2 + $ay ** 2 + $az ** 2);
        [$ax, $ay, $az] = [$ax / $l, $ay / $l, $az / $l];

        return new self($ax, $ny * $az - $nz * $ay, $nx, 0.0, $ay, $nz * $ax - $nx * $az, $ny, 0.0, $az, $nx * $ay - $ny * $ax, $nz, 0.0);
    }

    /**
     * Base point to origin, scale, rotate, move to the place of insertion.
     *
     * @param  array{float, float, float}  $base
     * @param  array{float, float, float}  $scale
     * @param  array{float, float, float}  $to
     */
    public static function insert(array $base, array $scale, float $rotation, array $to): self
    {
        [$cos, $sin] = [cos($rotation), sin($rotation)];
        [$a, $b, $d, $e] = [$cos * $scale[0], -$sin * $scale[1], $sin * $scale[0], $cos * $scale[1]];

        return new self(
            $a, $b, 0.0, $to[0] - $a * $base[0] - $b * $base[1],
            $d, $e, 0.0, $to[1] - $d * $base[0] - $e * $base[1],
            0.0, 0.0, $scale[2], $to[2] - $scale[2] * $base[2],
        );
    }

    /**
     * Values of a shape as Shape lays them out, from the entity's own plane to where it lies. A circle that is scaled unevenly or tilted
     * becomes an ellipse, one seen from its edge a line; the heights of tilted curves vary along them and are none (NAN).
     *
     * @param  list<float>  $v  values as in Shape; an ellipse has its axes in space: cx cy cz ux uy uz vx vy vz start sweep
     * @return array{ShapeKind, list<float>}
     */
    public function apply(ShapeKind $kind, array $v): array
    {
        $s = $this->only;
        if ($s !== null && $kind === ShapeKind::Line) {
            return [$kind, [$s * $v[0], $s * $v[1], $s * $v[2], $s * $v[3], $s * $v[4], $s * $v[5]]];
        }
        if ($s !== null && ($kind === ShapeKind::Arc || $kind === ShapeKind::Circle)) {
            $v[0] *= $s;
            $v[1] *= $s;
            $v[2] *= $s;
            $v[3] *= $s;

            return [$kind, $v];
        }
        [$x, $y, $z] = $this->point($v[0], $v[1], $v[2]);

        return match ($kind) {
            ShapeKind::Line => [$kind, [$x, $y, $z, ...$this->point($v[3], $v[4], $v[5])]],
            ShapeKind::Circle => $this->round(
                [$x, $y, $z], $this->vector($v[3], 0.0, 0.0), $this->vector(0.0, $v[3], 0.0), 0.0, 2 * M_PI, true,
            ),
            ShapeKind::Arc => $this->round(
                [$x, $y, $z], $this->vector($v[3], 0.0, 0.0), $this->vector(0.0, $v[3], 0.0), $v[4], $v[5], false,
            ),
            ShapeKind::Ellipse => $this->round(
                [$x, $y, $z], $this->vector($v[3], $v[4], $v[5]), $this->vector($v[6], $v[7], $v[8]), $v[9], $v[10],
                abs($v[10]) >= 2 * M_PI - self::SAME,
            ),
            ShapeKind::Point => [$kind, [$x, $y, $z]],
            ShapeKind::Text => [$kind, [$x, $y, $z, $this->height($v[4], $v[3]), $this->turn($v[4]), 0.0]],
            ShapeKind::Insert => [$kind, [$x, $y, $z, $this->turn($v[3]), 0.0]],
            ShapeKind::Face => [$kind, [$x, $y, $z, ...$this->point($v[3], $v[4], $v[5]), ...$this->point($v[6], $v[7], $v[8])]],
            ShapeKind::Spline => [$kind, $v],
        };
    }

    /** Nothing is moved, turned or scaled, as in a drawing in metres on the site's own grid. */
    public function leavesAsDrawn(): bool
    {
        return $this->only === 1.0;
    }

    /** An affine map of its control points maps a rational B-spline. */
    public function spline(Spline $spline): Spline
    {
        return $spline->mapped(fn (array $p): array => $this->point($p[0], $p[1], $p[2]));
    }

    /** @return array{float, float, float} where its height is not known (NAN), its place on the plan still is */
    public function point(float $x, float $y, float $z): array
    {
        if (is_nan($z) && $this->c === 0.0 && $this->f === 0.0) {
            return [$this->a * $x + $this->b * $y + $this->x, $this->d * $x + $this->e * $y + $this->y, NAN];
        }

        return parent::point($x, $y, $z);
    }

    /**
     * centre + u cos t + v sin t, t from start over sweep.
     *
     * @param  array{float, float, float}  $c
     * @param  array{float, float, float}  $u
     * @param  array{float, float, float}  $v
     * @return array{ShapeKind, list<float>}
     */
    private function round(array $c, array $u, array $v, float $start, float $sweep, bool $closed): array
    {
        $long = hypot($u[0], $u[1]);
        $wide = hypot($v[0], $v[1]);
        $cross = $u[0] * $v[1] - $u[1] * $v[0];
        $size = max($long, $wide);
        $level = abs($u[2]) <= self::SAME * $size && abs($v[2]) <= self::SAME * $size;
        $z = $level ? $c[2] : NAN;
        if (abs($cross) <= self::SAME * $size ** 2) {
            return self::edgeOn($c, $u, $v, $start, $sweep);
        }
        $even = abs($long - $wide) <= self::SAME * $size && abs($u[0] * $v[0] + $u[1] * $v[1]) <= self::SAME * $size ** 2;
        if (! $even) {
            return [ShapeKind::Ellipse, [$c[0], $c[1], $z, $u[0], $u[1], $v[0], $v[1], $start, $sweep]];
        }
        if ($closed) {
            return [ShapeKind::Circle, [$c[0], $c[1], $z, $long]];
        }
        $begin = atan2($u[1] * cos($start) + $v[1] * sin($start), $u[0] * cos($start) + $v[0] * sin($start));

        return [ShapeKind::Arc, [$c[0], $c[1], $z, $long, $begin, $cross < 0 ? -$sweep : $sweep]];
    }

    /**
     * An arc that stands upright, such as that of a doorway or a vault, by chords: on the plan they lie in one line, and each has the heights of its ends.
     * Its highest and lowest place is an end of two of them. None where it does not stand upright, or goes all the way round.
     *
     * @param  list<float>  $v  as for apply()
     * @return list<list<float>> lines
     */
    public function uprightChords(ShapeKind $kind, array $v): array
    {
        [$start, $sweep] = match ($kind) {
            ShapeKind::Arc => [$v[4], $v[5]],
            ShapeKind::Ellipse => [$v[9], $v[10]],
            default => [0.0, 2 * M_PI],
        };
        if (abs($sweep) >= 2 * M_PI - self::SAME || $this->apply($kind, $v)[0] !== ShapeKind::Line) {
            return [];
        }
        $c = $this->point($v[0], $v[1], $v[2]);
        [$u, $w] = $kind === ShapeKind::Arc ? [$this->vector($v[3], 0.0, 0.0), $this->vector(0.0, $v[3], 0.0)]
            : [$this->vector($v[3], $v[4], $v[5]), $this->vector($v[6], $v[7], $v[8])];
        $at = static fn (float $t): array => array_map(static fn (int $k) => $c[$k] + $u[$k] * cos($t) + $w[$k] * sin($t), [0, 1, 2]);
        $parts = (int) ceil(abs($sweep) / self::CHORD);
        $stops = array_map(static fn (int $i) => $start + $sweep * $i / $parts, range(0, $parts));
        [$from, $to] = [min($start, $start + $sweep), max($start, $start + $sweep)];
        $highest = atan2($w[2], $u[2]);
        for ($t = $highest + M_PI * ceil(($from - $highest) / M_PI); $t <= $to; $t += M_PI) {
            $stops[] = $t;
        }
        $sweep > 0.0 ? sort($stops) : rsort($stops);
        $lines = [];
        foreach ($stops as $i => $t) {
            if ($i > 0 && abs($t - $stops[$i - 1]) > 1e-9) {
                $lines[] = [...$at($stops[$i - 1]), ...$at($t)];
            }
        }

        return $lines;
    }

    /**
     * A curve that stands upright is a line on the plan, between the farthest points of its course.
     *
     * @param  array{float, float, float}  $c
     * @param  array{float, float, float}  $u
     * @param  array{float, float, float}  $v
     * @return array{ShapeKind, list<float>}
     */
    private static function edgeOn(array $c, array $u, array $v, float $start, float $sweep): array
    {
        $along = hypot($u[0], $u[1]) >= hypot($v[0], $v[1]) ? $u : $v;
        $length = hypot($along[0], $along[1]);
        if ($length === 0.0) {
            return [ShapeKind::Point, [$c[0], $c[1], $c[2]]];
        }
        $on = static fn (array $w): float => ($w[0] * $along[0] + $w[1] * $along[1]) / $length;
        [$p, $q] = [$on($u), $on($v)];
        $reach = static fn (float $t): float => $p * cos($t) + $q * sin($t);
        $stops = [$start, $start + $sweep];
        [$from, $to] = [min($start, $start + $sweep), max($start, $start + $sweep)];
        $turning = atan2($q, $p);
        for ($t = $turning + M_PI * ceil(($from - $turning) / M_PI); $t <= $to; $t += M_PI) {
            $stops[] = $t;
        }
        // Its farthest points lie at heights of their own; those of a whole circle at that of its centre.
        $at = static fn (float $t): array => [
            $c[0] + $along[0] / $length * $reach($t), $c[1] + $along[1] / $length * $reach($t),
            $c[2] + $u[2] * cos($t) + $v[2] * sin($t),
        ];
        usort($stops, static fn (float $s, float $t) => $reach($s) <=> $reach($t));

        return [ShapeKind::Line, [...$at($stops[0]), ...$at($stops[count($stops) - 1])]];
    }

    private function turn(float $angle): float
    {
        [$x, $y] = $this->vector(cos($angle), sin($angle), 0.0);

        return $x === 0.0 && $y === 0.0 ? 0.0 : atan2($y, $x);
    }

    private function height(float $rotation, float $height): float
    {
        [$x, $y] = $this->vector(-sin($rotation) * $height, cos($rotation) * $height, 0.0);

        return hypot($x, $y);
    }
}
