<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Volumes;

use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Geometry\Position;

/**
 * How far a volume may be wrong whose surface was shot point by point: by each shot's own height, by what all of them share of the setup, and by what the ground does between the shots.
 *
 * The net volume is the sum of heights times the area that each shot stands for, a third of the triangles about it, so the first two follow by propagation (JCGM 100:2008, 5). What lies between the shots is told by
 * the shots themselves: each inner one is left out and looked for in the plane through its neighbours; how far it lies off that plane, on the whole and about it, is what the ground does over twice the spacing. On the
 * whole it is a bulge, of which triangles leave a third at most; about it, it is rough, and each shot may stand as far off the mean of its own area. Common practice, no source for both; held by simulated grounds.
 */
final readonly class VolumeSpread
{
    /** Of what a shot lies off the plane of its neighbours, triangles between them leave so much where the ground bulges alike everywhere. */
    private const BULGE = 1 / 3;

    /** Fewer inner shots tell nothing of the ground between them. */
    private const FEWEST = 5;

    /**
     * @param  float  $shots  for the shots' own sake, 95 of 100, metres³
     * @param  float  $setup  for what they share, 95 of 100
     * @param  float|null  $ground  for what lies between them, 95 of 100; null where too few shots tell it
     */
    private function __construct(public float $shots, public float $setup, public ?float $ground) {}

    /**
     * @param  list<Position>  $places  with their elevations
     * @param  list<int>  $triangles  three places to each, from 0
     * @param  float  $shot  standard deviation of one shot's height for its own sake, metres
     * @param  float  $setup  standard deviation of what all of them share, metres
     * @return self|null null where there is no triangle
     */
    public static function of(array $places, array $triangles, float $shot, float $setup): ?self
    {
        [$areas, $beside] = self::areas($places, $triangles);
        $whole = array_sum($areas);
        if ($whole <= 0.0) {
            return null;
        }
        $squares = array_sum(array_map(static fn (float $a): float => $a * $a, $areas));

        return new self(
            Significance::NINETY_FIVE * $shot * sqrt($squares), Significance::NINETY_FIVE * $setup * $whole, self::between($places, $areas, $beside, $whole, $squares, $shot),
        );
    }

    /**
     * Of a part of it alone.
     *
     * @param  float  $share  of the area, 0 to 1
     */
    public function ofPart(float $share): self
    {
        $root = sqrt(max(0.0, min(1.0, $share)));

        return new self($this->shots * $root, $this->setup * $root ** 2, $this->ground === null ? null : $this->ground * $root);
    }

    /**
     * The area that all shots stand for.
     *
     * @param  list<Position>  $places
     * @param  list<int>  $triangles
     * @return float metres²
     */
    public static function area(array $places, array $triangles): float
    {
        return array_sum(self::areas($places, $triangles)[0]);
    }

    /** All of it together, as far as it is known; 95 of 100, metres³. */
    public function all(): float
    {
        return hypot(hypot($this->shots, $this->setup), $this->ground ?? 0.0);
    }

    /**
     * @param  list<Position>  $places
     * @param  list<int>  $triangles
     * @return array{list<float>, list<array<int, int>>} the area that each place stands for, metres², and how often each place lies beside it
     */
    private static function areas(array $places, array $triangles): array
    {
        $areas = array_fill(0, count($places), 0.0);
        $beside = array_fill(0, count($places), []);
        for ($t = 0; $t + 2 < count($triangles); $t += 3) {
            [$i, $j, $k] = [$triangles[$t], $triangles[$t + 1], $triangles[$t + 2]];
            [$a, $b, $c] = [$places[$i], $places[$j], $places[$k]];
            $area = abs(($b->northing - $a->northing) * ($c->easting - $a->easting) - ($b->easting - $a->easting) * ($c->northing - $a->northing)) / 2;
            foreach ([[$i, $j, $k], [$j, $k, $i], [$k, $i, $j]] as [$at, $one, $other]) {
                $areas[$at] += $area / 3;
                $beside[$at][$one] = ($beside[$at][$one] ?? 0) + 1;
                $beside[$at][$other] = ($beside[$at][$other] ?? 0) + 1;
            }
        }

        return [array_values($areas), $beside];
    }

    /**
     * @param  list<Position>  $places
     * @param  list<float>  $areas
     * @param  list<array<int, int>>  $beside
     */
    private static function between(array $places, array $areas, array $beside, float $whole, float $squares, float $shot): ?float
    {
        $off = [];
        foreach ($places as $i => $p) {
            // An inner one has two triangles on each of its edges.
            if (count($beside[$i]) >= 3 && min($beside[$i]) > 1) {
                $plane = self::planeAt($p, array_map(static fn (int $k): Position => $places[$k], array_keys($beside[$i])));
                $plane === null || $off[$i] = (float) $p->elevation - $plane;
            }
        }
        if (count($off) < self::FEWEST) {
            return null;
        }
        $inner = array_sum(array_intersect_key($areas, $off));
        $bulge = array_sum(array_map(static fn (int $i): float => $areas[$i] * $off[$i], array_keys($off))) / max($inner, 1e-12);
        $rough = array_sum(array_map(static fn (float $e): float => ($e - $bulge) ** 2, $off)) / (count($off) - 1);
        // What the shots' own heights put into it is no ground: a shot, and the mean of some six about it.
        $ground = max(0.0, $rough - $shot ** 2 * (1 + 1 / 6));

        return Significance::NINETY_FIVE * hypot($whole * self::BULGE * abs($bulge), sqrt($ground * $squares));
    }

    /**
     * The height at a place of the plane that fits places about it best.
     *
     * @param  list<Position>  $about
     */
    private static function planeAt(Position $p, array $about): ?float
    {
        $n = count($about);
        [$x, $y] = [array_map(static fn (Position $q): float => $q->northing - $p->northing, $about), array_map(static fn (Position $q): float => $q->easting - $p->easting, $about)];
        $z = array_map(static fn (Position $q): float => (float) $q->elevation, $about);
        [$mx, $my, $mz] = [array_sum($x) / $n, array_sum($y) / $n, array_sum($z) / $n];
        $xx = $xy = $yy = $xz = $yz = 0.0;
        foreach ($x as $k => $u) {
            [$u, $v, $w] = [$u - $mx, $y[$k] - $my, $z[$k] - $mz];
            $xx += $u * $u;
            $xy += $u * $v;
            $yy += $v * $v;
            $xz += $u * $w;
            $yz += $v * $w;
        }
        $det = $xx * $yy - $xy * $xy;
        if ($det <= 1e-9 * ($xx + $yy) ** 2) {
            return null;
        }

        return $mz - $mx * ($xz * $yy - $yz * $xy) / $det - $my * ($yz * $xx - $xz * $xy) / $det;
    }
}
