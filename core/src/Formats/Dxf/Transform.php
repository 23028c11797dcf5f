<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Design\ShapeKind;

/** Where the contents of a block come to lie: a plane affine map, heights scaled and shifted apart. */
final readonly class Transform
{
    public function __construct(
        public float $a = 1.0,
        public float $b = 0.0,
        public float $c = 0.0,
        public float $d = 1.0,
        public float $x = 0.0,
        public float $y = 0.0,
        public float $scaleZ = 1.0,
        public float $z = 0.0,
    ) {}

    public static function scale(float $factor): self
    {
        return new self($factor, 0, 0, $factor, 0, 0, $factor);
    }

    /** A plane seen from below (extrusion 0 0 -1): the published DXF reference's arbitrary axis turns x about. */
    public static function fromBelow(): self
    {
        return new self(-1.0, 0, 0, 1.0, 0, 0, -1.0);
    }

    /** Base point to origin, scale, rotate, move to the place of insertion. */
    public static function insert(float $bx, float $by, float $bz, float $sx, float $sy, float $sz, float $rotation, float $x, float $y, float $z): self
    {
        $cos = cos($rotation);
        $sin = sin($rotation);
        [$a, $b, $c, $d] = [$cos * $sx, -$sin * $sy, $sin * $sx, $cos * $sy];

        return new self($a, $b, $c, $d, $x - $a * $bx - $b * $by, $y - $c * $bx - $d * $by, $sz, $z - $sz * $bz);
    }

    /** First the inner, then this. */
    public function after(self $inner): self
    {
        return new self(
            $this->a * $inner->a + $this->b * $inner->c,
            $this->a * $inner->b + $this->b * $inner->d,
            $this->c * $inner->a + $this->d * $inner->c,
            $this->c * $inner->b + $this->d * $inner->d,
            $this->a * $inner->x + $this->b * $inner->y + $this->x,
            $this->c * $inner->x + $this->d * $inner->y + $this->y,
            $this->scaleZ * $inner->scaleZ,
            $this->scaleZ * $inner->z + $this->z,
        );
    }

    /**
     * @param  list<float>  $v values of a Shape
     *  @return array{ShapeKind, list<float>} an arc scaled unevenly becomes an ellipse
     */
    public function apply(ShapeKind $kind, array $v): array
    {
        [$x, $y, $z] = $this->point($v[0], $v[1], $v[2]);

        return match ($kind) {
            ShapeKind::Line => [$kind, [$x, $y, $z, ...$this->point($v[3], $v[4], $v[5])]],
            ShapeKind::Arc, ShapeKind::Circle => $this->round($kind, $v, $x, $y, $z),
            ShapeKind::Point => [$kind, [$x, $y, $z]],
            ShapeKind::Text => [$kind, [$x, $y, $z, $v[3] * sqrt(abs($this->determinant())), $this->turn($v[4]), $v[5]]],
            ShapeKind::Insert => [$kind, [$x, $y, $z, $this->turn($v[3]), $v[4]]],
            ShapeKind::Ellipse => [$kind, [$x, $y, $z, ...$this->vector($v[3], $v[4]), ...$this->vector($v[5], $v[6]), $v[7], $v[8]]],
        };
    }

    /**
     * @param  list<float>  $v
     *  @return array{ShapeKind, list<float>}
     */
    private function round(ShapeKind $kind, array $v, float $x, float $y, float $z): array
    {
        $scale = hypot($this->a, $this->c);
        $even = abs($scale - hypot($this->b, $this->d)) < 1e-9 * $scale && abs($this->a * $this->b + $this->c * $this->d) < 1e-9 * $scale ** 2;
        if (! $even) {
            return [ShapeKind::Ellipse, [$x, $y, $z, ...$this->vector($v[3], 0.0), ...$this->vector(0.0, $v[3]), $v[4] ?? 0.0, $v[5] ?? 2 * M_PI]];
        }
        if ($kind === ShapeKind::Circle) {
            return [$kind, [$x, $y, $z, $v[3] * $scale]];
        }

        return [$kind, [$x, $y, $z, $v[3] * $scale, $this->turn($v[4]), $this->determinant() < 0 ? -$v[5] : $v[5]]];
    }

    /** @return array{float, float, float} */
    private function point(float $x, float $y, float $z): array
    {
        return [$this->a * $x + $this->b * $y + $this->x, $this->c * $x + $this->d * $y + $this->y, $this->scaleZ * $z + $this->z];
    }

    /** @return array{float, float} */
    private function vector(float $x, float $y): array
    {
        return [$this->a * $x + $this->b * $y, $this->c * $x + $this->d * $y];
    }

    private function turn(float $angle): float
    {
        [$x, $y] = $this->vector(cos($angle), sin($angle));

        return atan2($y, $x);
    }

    private function determinant(): float
    {
        return $this->a * $this->d - $this->b * $this->c;
    }
}
