<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

/** A plane affine transformation (six parameters): x' = a x + b y + dx, y' = c x + d y + dy, with x easting and y northing. */
final readonly class Affine
{
    /** E' = a E + b N + dx, N' = c E + d N + dy; shifts in metres. */
    public function __construct(
        public float $a = 1.0,
        public float $b = 0.0,
        public float $c = 0.0,
        public float $d = 1.0,
        public float $dx = 0.0,
        public float $dy = 0.0,
    ) {}

    /** Metres. */
    public static function shift(float $dNorthing, float $dEasting): self
    {
        return new self(dx: $dEasting, dy: $dNorthing);
    }

    /** The same map. */
    public static function ofSimilarity(Similarity $s): self
    {
        return new self($s->a, -$s->b, $s->b, $s->a, $s->dx, $s->dy);
    }

    /** Turned clockwise, and scaled, about a place that stays. */
    public static function about(Position $place, float $clockwise, float $scale = 1.0): self
    {
        [$cos, $sin] = [$scale * cos($clockwise), $scale * sin($clockwise)];

        return self::fixing($place, $cos, $sin, -$sin, $cos);
    }

    /** Mirrored on the line through a place in a direction. */
    public static function mirror(Position $on, float $azimuth): self
    {
        return self::fixing($on, -cos(2 * $azimuth), sin(2 * $azimuth), sin(2 * $azimuth), cos(2 * $azimuth));
    }

    /**
     * The one that takes the first places nearest to the second (least squares about the centre of gravity).
     *
     * @param  list<array{Position, Position}>  $pairs  from and to
     * @return self|null null where the first places lie on one line
     */
    public static function of(array $pairs): ?self
    {
        $n = count($pairs);
        if ($n < 3) {
            return null;
        }
        $mean = static fn (int $side, string $c): float => array_sum(array_map(static fn (array $p) => $p[$side]->{$c}, $pairs)) / $n;
        [$fx, $fy, $tx, $ty] = [$mean(0, 'easting'), $mean(0, 'northing'), $mean(1, 'easting'), $mean(1, 'northing')];
        $xx = $xy = $yy = $xu = $yu = $xv = $yv = 0.0;
        foreach ($pairs as [$from, $to]) {
            [$x, $y, $u, $v] = [$from->easting - $fx, $from->northing - $fy, $to->easting - $tx, $to->northing - $ty];
            $xx += $x * $x;
            $xy += $x * $y;
            $yy += $y * $y;
            $xu += $x * $u;
            $yu += $y * $u;
            $xv += $x * $v;
            $yv += $y * $v;
        }
        $det = $xx * $yy - $xy ** 2;
        if ($det <= 1e-12 * ($xx + $yy) ** 2) {
            return null;
        }
        [$a, $b] = [($xu * $yy - $yu * $xy) / $det, ($yu * $xx - $xu * $xy) / $det];
        [$c, $d] = [($xv * $yy - $yv * $xy) / $det, ($yv * $xx - $xv * $xy) / $det];

        return new self($a, $b, $c, $d, $tx - $a * $fx - $b * $fy, $ty - $c * $fx - $d * $fy);
    }

    /** The place moved; its elevation stays. */
    public function apply(Position $p): Position
    {
        return new Position(
            $this->c * $p->easting + $this->d * $p->northing + $this->dy, $this->a * $p->easting + $this->b * $p->northing + $this->dx,
            $p->elevation,
        );
    }

    private static function fixing(Position $p, float $a, float $b, float $c, float $d): self
    {
        return new self(
            $a, $b, $c, $d, $p->easting - $a * $p->easting - $b * $p->northing, $p->northing - $c * $p->easting - $d * $p->northing,
        );
    }
}
