<?php

declare(strict_types=1);

namespace Parlay\Core\Design;

use Parlay\Core\Geometry\Position;

/**
 * One piece of true geometry of a drawing: metres on the site grid, x is easting and y is northing.
 *
 * Values by kind (angles in radians counter-clockwise from east, sweeps signed; an elevation that was dropped is NAN):
 *   Line     x1 y1 z1 x2 y2 z2
 *   Arc      cx cy cz radius start sweep
 *   Circle   cx cy cz radius
 *   Point    x y z
 *   Text     x y z height rotation index of its string in the layer
 *   Insert   x y z rotation index of the block's name in the layer
 *   Ellipse  cx cy cz ux uy vx vy start sweep    (centre + u cos t + v sin t)
 *
 * Packed: two unsigned 32-bit integers (kind, entity number) and nine doubles, little-endian; unused values are 0.
 */
final readonly class Shape
{
    public const BYTES = 80;

    /** @param  list<float>  $v values as above */
    public function __construct(
        public ShapeKind $kind,
        public int $entity,
        public array $v,
    ) {}

    public function pack(): string
    {
        return pack('VVe9', $this->kind->value, $this->entity, ...array_pad($this->v, 9, 0.0));
    }

    /** @param  string  $bytes exactly one record */
    public static function unpack(string $bytes): self
    {
        $fields = unpack('Vkind/Ventity/e9v', $bytes);
        if ($fields === false) {
            throw new \LengthException('A packed shape has '.self::BYTES.' bytes.');
        }
        $values = [];
        for ($i = 1; $i <= 9; $i++) {
            $values[] = (float) $fields["v$i"];
        }

        return new self(ShapeKind::from((int) $fields['kind']), (int) $fields['entity'], $values);
    }

    /** Where the shape begins (0), ends (1), or is between: by length for lines and arcs, by parameter for ellipses. */
    public function pointAt(float $part): Position
    {
        $v = $this->v;

        return match ($this->kind) {
            ShapeKind::Line => self::position($v[0] + $part * ($v[3] - $v[0]), $v[1] + $part * ($v[4] - $v[1]), $v[2] + $part * ($v[5] - $v[2])),
            ShapeKind::Arc => self::position($v[0] + $v[3] * cos($v[4] + $part * $v[5]), $v[1] + $v[3] * sin($v[4] + $part * $v[5]), $v[2]),
            ShapeKind::Circle => self::position($v[0] + $v[3] * cos(2 * M_PI * $part), $v[1] + $v[3] * sin(2 * M_PI * $part), $v[2]),
            ShapeKind::Ellipse => $this->onEllipse($v[7] + $part * $v[8]),
            default => self::position($v[0], $v[1], $v[2]),
        };
    }

    /** Centre of a round shape, place of the others that have one; null for a line. */
    public function anchor(): ?Position
    {
        return $this->kind === ShapeKind::Line ? null : self::position($this->v[0], $this->v[1], $this->v[2]);
    }

    /** @return array{float, float, float, float} least x, least y, greatest x, greatest y of what is drawn */
    public function bounds(): array
    {
        $v = $this->v;

        return match ($this->kind) {
            ShapeKind::Line => [min($v[0], $v[3]), min($v[1], $v[4]), max($v[0], $v[3]), max($v[1], $v[4])],
            ShapeKind::Circle => [$v[0] - $v[3], $v[1] - $v[3], $v[0] + $v[3], $v[1] + $v[3]],
            ShapeKind::Arc => $this->arcBounds(),
            ShapeKind::Ellipse => [$v[0] - hypot($v[3], $v[5]), $v[1] - hypot($v[4], $v[6]), $v[0] + hypot($v[3], $v[5]), $v[1] + hypot($v[4], $v[6])],
            default => [$v[0], $v[1], $v[0], $v[1]],
        };
    }

    private function onEllipse(float $t): Position
    {
        $v = $this->v;

        return self::position($v[0] + $v[3] * cos($t) + $v[5] * sin($t), $v[1] + $v[4] * cos($t) + $v[6] * sin($t), $v[2]);
    }

    /**
     * Ends, and the quadrants that the sweep passes.
     *
     * @return array{float, float, float, float}
     */
    private function arcBounds(): array
    {
        [$cx, $cy, , $r, $start, $sweep] = $this->v;
        $xs = [$cx + $r * cos($start), $cx + $r * cos($start + $sweep)];
        $ys = [$cy + $r * sin($start), $cy + $r * sin($start + $sweep)];
        [$from, $to] = $sweep >= 0 ? [$start, $start + $sweep] : [$start + $sweep, $start];
        for ($quadrant = (int) ceil($from / M_PI_2); $quadrant * M_PI_2 <= $to; $quadrant++) {
            $xs[] = $cx + $r * cos($quadrant * M_PI_2);
            $ys[] = $cy + $r * sin($quadrant * M_PI_2);
        }

        return [min($xs), min($ys), max($xs), max($ys)];
    }

    private static function position(float $x, float $y, float $z): Position
    {
        return new Position($y, $x, is_nan($z) ? null : $z);
    }
}
