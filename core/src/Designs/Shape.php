<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/**
 * One piece of true geometry of a drawing: metres on the site grid, x is easting and y is northing.
 *
 * Values by kind (angles in radians counter-clockwise from east, sweeps signed; an elevation that is not known is NAN):
 *   Line     x1 y1 z1 x2 y2 z2 index of its attributes in the layer less one (0 where it has none)
 *   Arc      cx cy cz radius start sweep
 *   Circle   cx cy cz radius
 *   Point    x y z
 *   Text     x y z height rotation index of its string in the layer
 *   Insert   x y z rotation index of the block's name in the layer, and of its attributes less one, stretched to its right, and upward
 *            (below 0 mirrored; 0 where that was not kept)
 *   Ellipse  cx cy cz ux uy vx vy start sweep    (centre + u cos t + v sin t)
 *   Spline   x1 y1 z1 x2 y2 z2 index of its curve in the layer, plan length
 *   Face     x1 y1 z1 x2 y2 z2 x3 y3 z3          (a triangle; its edges stand beside it as lines)
 *
 * Packed: an unsigned 32-bit integer with the kind in its lowest byte and the colour (24 bits) above, another with the place in the file
 * (line, or byte of a binary file), and nine doubles, all little-endian; unused values are 0.
 */
final readonly class Shape
{
    public const BYTES = 80;

    /**
     * @param  int  $place  where in the file the entity begins
     * @param  list<float>  $v  values as above
     * @param  int  $rgb  colour it is drawn in
     */
    public function __construct(
        public ShapeKind $kind,
        public int $place,
        public array $v,
        public int $rgb = 0,
    ) {}

    /** @param  list<float>  $v */
    public static function record(ShapeKind $kind, int $place, int $rgb, array $v): string
    {
        return pack(
            'VVe9', $kind->value | $rgb << 8, $place, $v[0], $v[1], $v[2], $v[3] ?? 0.0, $v[4] ?? 0.0, $v[5] ?? 0.0, $v[6] ?? 0.0,
            $v[7] ?? 0.0, $v[8] ?? 0.0,
        );
    }

    /** The bytes in which it is kept and sent (docs/drawing-records.md). */
    public function pack(): string
    {
        return self::record($this->kind, $this->place, $this->rgb, $this->v);
    }

    /** @param  string  $bytes exactly one record */
    public static function unpack(string $bytes): self
    {
        $fields = unpack('Vkind/Vplace/e9v', $bytes);
        if ($fields === false) {
            throw new \LengthException('A packed shape has '.self::BYTES.' bytes.');
        }
        $values = [];
        for ($i = 1; $i <= 9; $i++) {
            $values[] = (float) $fields["v$i"];
        }

        return new self(ShapeKind::from((int) $fields['kind'] & 0xFF), (int) $fields['place'], $values, (int) $fields['kind'] >> 8);
    }

    /**
     * Of a text, which is placed by its lower left corner: its middle, with letters seven tenths as wide as high.
     *
     * @param  string  $text  as it stands there
     */
    public function middleOfText(string $text): Position
    {
        [$height, $turn] = [$this->v[3], $this->v[4]];
        [$half, $up] = [0.35 * $height * mb_strlen($text), 0.5 * $height];

        return new Position(
            $this->v[1] + $half * sin($turn) + $up * cos($turn), $this->v[0] + $half * cos($turn) - $up * sin($turn),
        );
    }

    /** Where the shape begins (0), ends (1), or is between: by length for lines and arcs, by parameter for ellipses. */
    public function pointAt(float $part): Position
    {
        $v = $this->v;

        return match ($this->kind) {
            ShapeKind::Line, ShapeKind::Spline => self::position(
                $v[0] + $part * ($v[3] - $v[0]), $v[1] + $part * ($v[4] - $v[1]), $v[2] + $part * ($v[5] - $v[2]),
            ),
            ShapeKind::Arc => self::position($v[0] + $v[3] * cos($v[4] + $part * $v[5]), $v[1] + $v[3] * sin($v[4] + $part * $v[5]), $v[2]),
            ShapeKind::Circle => self::position($v[0] + $v[3] * cos(2 * M_PI * $part), $v[1] + $v[3] * sin(2 * M_PI * $part), $v[2]),
            ShapeKind::Ellipse => $this->onEllipse($v[7] + $part * $v[8]),
            default => self::position($v[0], $v[1], $v[2]),
        };
    }

    /** Centre of a round shape, place of the others that have one; null for what runs from one end to another. */
    public function anchor(): ?Position
    {
        return in_array($this->kind, [ShapeKind::Line, ShapeKind::Spline, ShapeKind::Face], true)
            ? null
            : self::position($this->v[0], $this->v[1], $this->v[2]);
    }

    /** Plan length of what has one, metres; the ellipse's by chords, good to a millionth. */
    public function length(): ?float
    {
        $v = $this->v;

        return match ($this->kind) {
            ShapeKind::Line => hypot($v[3] - $v[0], $v[4] - $v[1]),
            ShapeKind::Arc => abs($v[3] * $v[5]),
            ShapeKind::Circle => 2 * M_PI * $v[3],
            ShapeKind::Ellipse => $this->ellipseLength(720) + ($this->ellipseLength(720) - $this->ellipseLength(360)) / 3,
            ShapeKind::Spline => $v[7],
            default => null,
        };
    }

    /** @return array{float, float} how much larger a block is inserted than it was drawn, to its right and upward; below 0 where it is mirrored */
    public function stretched(): array
    {
        return $this->kind !== ShapeKind::Insert || ($this->v[6] ?? 0.0) === 0.0 || ($this->v[7] ?? 0.0) === 0.0 ? [1.0, 1.0] : [$this->v[6], $this->v[7]];
    }

    /** Direction of a line from its beginning, or the direction that a block or text calls up (to the north where it is not turned). */
    public function azimuth(): float
    {
        return match ($this->kind) {
            ShapeKind::Line, ShapeKind::Spline => $this->pointAt(0.0)->azimuthTo($this->pointAt(1.0)),
            ShapeKind::Insert => Angle::wrap(-$this->v[3]),
            ShapeKind::Text => Angle::wrap(-$this->v[4]),
            default => 0.0,
        };
    }

    /** @return array{float, float, float, float} least x, least y, greatest x, greatest y of what is drawn */
    public function bounds(): array
    {
        return self::boundsOf($this->kind, $this->v);
    }

    /**
     * @param  list<float>  $v
     * @return array{float, float, float, float} of a spline: its ends only, the rest is known to its curve
     */
    public static function boundsOf(ShapeKind $kind, array $v): array
    {
        return match ($kind) {
            ShapeKind::Line, ShapeKind::Spline => [min($v[0], $v[3]), min($v[1], $v[4]), max($v[0], $v[3]), max($v[1], $v[4])],
            ShapeKind::Circle => [$v[0] - $v[3], $v[1] - $v[3], $v[0] + $v[3], $v[1] + $v[3]],
            ShapeKind::Arc => self::arcBounds($v),
            ShapeKind::Ellipse => self::ellipseBounds($v),
            ShapeKind::Face => [min($v[0], $v[3], $v[6]), min($v[1], $v[4], $v[7]), max($v[0], $v[3], $v[6]), max($v[1], $v[4], $v[7])],
            default => [$v[0], $v[1], $v[0], $v[1]],
        };
    }

    /**
     * Ends, and where the sweep turns back in either direction.
     *
     * @param  list<float>  $v
     * @return array{float, float, float, float}
     */
    private static function ellipseBounds(array $v): array
    {
        $from = min($v[7], $v[7] + $v[8]);
        $to = max($v[7], $v[7] + $v[8]);
        $stops = [$from, $to];
        foreach ([atan2($v[5], $v[3]), atan2($v[6], $v[4])] as $turning) {
            for ($t = $turning + M_PI * ceil(($from - $turning) / M_PI); $t <= $to; $t += M_PI) {
                $stops[] = $t;
            }
        }
        $x = array_map(static fn (float $t) => $v[0] + $v[3] * cos($t) + $v[5] * sin($t), $stops);
        $y = array_map(static fn (float $t) => $v[1] + $v[4] * cos($t) + $v[6] * sin($t), $stops);

        return [min($x), min($y), max($x), max($y)];
    }

    private function ellipseLength(int $chords): float
    {
        $sum = 0.0;
        $from = $this->onEllipse($this->v[7]);
        for ($i = 1; $i <= $chords; $i++) {
            $to = $this->onEllipse($this->v[7] + $this->v[8] * $i / $chords);
            $sum += $from->distanceTo($to);
            $from = $to;
        }

        return $sum;
    }

    private function onEllipse(float $t): Position
    {
        $v = $this->v;

        return self::position($v[0] + $v[3] * cos($t) + $v[5] * sin($t), $v[1] + $v[4] * cos($t) + $v[6] * sin($t), $v[2]);
    }

    /**
     * Ends, and the quadrants that the sweep passes.
     *
     * @param  list<float>  $v
     * @return array{float, float, float, float}
     */
    private static function arcBounds(array $v): array
    {
        [$cx, $cy, , $r, $start, $sweep] = $v;
        $from = $sweep >= 0 ? $start : $start + $sweep;
        $to = $from + abs($sweep);
        $quarter = (int) ceil($from / M_PI_2);
        $passed = [false, false, false, false];
        for ($end = min($quarter + 3, (int) floor($to / M_PI_2)); $quarter <= $end; $quarter++) {
            $passed[$quarter & 3] = true;
        }
        [$x1, $y1, $x2, $y2] = [$cx + $r * cos($from), $cy + $r * sin($from), $cx + $r * cos($to), $cy + $r * sin($to)];

        return [
            $passed[2] ? $cx - $r : min($x1, $x2), $passed[3] ? $cy - $r : min($y1, $y2),
            $passed[0] ? $cx + $r : max($x1, $x2), $passed[1] ? $cy + $r : max($y1, $y2),
        ];
    }

    private static function position(float $x, float $y, float $z): Position
    {
        return new Position($y, $x, is_nan($z) ? null : $z);
    }
}
