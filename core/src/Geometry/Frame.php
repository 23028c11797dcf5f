<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

/**
 * An affine map of space: turning, mirroring, stretching and shifting in one.
 *
 * @phpstan-consistent-constructor
 */
readonly class Frame
{
    /** The matrix row by row: a b c x, d e f y, g h i z; x, y and z shift, in the units of what it is a map to. */
    public function __construct(
        public float $a, public float $b, public float $c, public float $x,
        public float $d, public float $e, public float $f, public float $y,
        public float $g, public float $h, public float $i, public float $z,
    ) {}

    public static function none(): static
    {
        return new static(1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0, 1.0, 0.0);
    }

    /** Whether it leaves everything where it is. */
    public function isNone(): bool
    {
        return get_object_vars($this) == get_object_vars(self::none());
    }

    /**
     * Where three axes and an origin come to lie.
     *
     * @param  array{float, float, float}  $x
     * @param  array{float, float, float}  $y
     * @param  array{float, float, float}  $z
     * @param  array{float, float, float}  $origin
     */
    public static function ofAxes(array $x, array $y, array $z, array $origin): static
    {
        return new static($x[0], $y[0], $z[0], $origin[0], $x[1], $y[1], $z[1], $origin[1], $x[2], $y[2], $z[2], $origin[2]);
    }

    /** First the inner, then this. */
    public function after(self $n): static
    {
        return new static(
            $this->a * $n->a + $this->b * $n->d + $this->c * $n->g, $this->a * $n->b + $this->b * $n->e + $this->c * $n->h,
            $this->a * $n->c + $this->b * $n->f + $this->c * $n->i, $this->a * $n->x + $this->b * $n->y + $this->c * $n->z + $this->x,
            $this->d * $n->a + $this->e * $n->d + $this->f * $n->g, $this->d * $n->b + $this->e * $n->e + $this->f * $n->h,
            $this->d * $n->c + $this->e * $n->f + $this->f * $n->i, $this->d * $n->x + $this->e * $n->y + $this->f * $n->z + $this->y,
            $this->g * $n->a + $this->h * $n->d + $this->i * $n->g, $this->g * $n->b + $this->h * $n->e + $this->i * $n->h,
            $this->g * $n->c + $this->h * $n->f + $this->i * $n->i, $this->g * $n->x + $this->h * $n->y + $this->i * $n->z + $this->z,
        );
    }

    /** @return array{float, float, float} */
    public function point(float $x, float $y, float $z): array
    {
        return [
            $this->a * $x + $this->b * $y + $this->c * $z + $this->x, $this->d * $x + $this->e * $y + $this->f * $z + $this->y,
            $this->g * $x + $this->h * $y + $this->i * $z + $this->z,
        ];
    }

    /** @return array{float, float, float} a direction, as long as it becomes */
    public function vector(float $x, float $y, float $z): array
    {
        return [
            $this->a * $x + $this->b * $y + $this->c * $z, $this->d * $x + $this->e * $y + $this->f * $z,
            $this->g * $x + $this->h * $y + $this->i * $z,
        ];
    }

    /** How much longer everything becomes; null where it is more in one direction than in another. */
    public function stretch(): ?float
    {
        [$x, $y, $z] = [$this->a ** 2 + $this->d ** 2 + $this->g ** 2, $this->b ** 2 + $this->e ** 2 + $this->h ** 2, $this->c ** 2 + $this->f ** 2 + $this->i ** 2];
        $skew = max(
            abs($this->a * $this->b + $this->d * $this->e + $this->g * $this->h), abs($this->a * $this->c + $this->d * $this->f + $this->g * $this->i),
            abs($this->b * $this->c + $this->e * $this->f + $this->h * $this->i), abs($x - $y), abs($x - $z),
        );

        return $skew <= 1e-9 * $x ? sqrt($x) : null;
    }

    /** Back to where it came from; null where it pressed space flat. */
    public function inverse(): ?static
    {
        $det = $this->determinant();
        if (abs($det) < 1e-18) {
            return null;
        }
        [$a, $b, $c] = [($this->e * $this->i - $this->f * $this->h) / $det, ($this->c * $this->h - $this->b * $this->i) / $det, ($this->b * $this->f - $this->c * $this->e) / $det];
        [$d, $e, $f] = [($this->f * $this->g - $this->d * $this->i) / $det, ($this->a * $this->i - $this->c * $this->g) / $det, ($this->c * $this->d - $this->a * $this->f) / $det];
        [$g, $h, $i] = [($this->d * $this->h - $this->e * $this->g) / $det, ($this->b * $this->g - $this->a * $this->h) / $det, ($this->a * $this->e - $this->b * $this->d) / $det];

        return new static(
            $a, $b, $c, -($a * $this->x + $b * $this->y + $c * $this->z), $d, $e, $f, -($d * $this->x + $e * $this->y + $f * $this->z),
            $g, $h, $i, -($g * $this->x + $h * $this->y + $i * $this->z),
        );
    }

    /** Below 0 where it mirrors; the volume of what was a unit cube. */
    public function determinant(): float
    {
        return $this->a * ($this->e * $this->i - $this->f * $this->h) - $this->b * ($this->d * $this->i - $this->f * $this->g)
            + $this->c * ($this->d * $this->h - $this->e * $this->g);
    }
}
