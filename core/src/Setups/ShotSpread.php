<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Cholesky;
use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;

/**
 * How far what was shot from a setup may be wrong, for the sake of all that is stated: the setup with the control it rests on, the shot's distance and angles,
 * centring and the heights of instrument and target. Covariances in square metres.
 */
final readonly class ShotSpread
{
    /** No shot is nearer, metres. */
    private const NEAREST = 0.1;

    /** @param  float  $nn  of the northing with itself, and so on: n northing, e easting, h elevation */
    public function __construct(
        public float $nn,
        public float $ne,
        public float $nh,
        public float $ee,
        public float $eh,
        public float $hh,
    ) {}

    public static function of(Station $station, Precision $precision, Sight $sight, Accuracy $accuracy): self
    {
        $found = $station->locate($sight);
        $n = $found->northing - $station->mark->northing;
        $e = $found->easting - $station->mark->easting;
        $d = max(hypot($n, $e), self::NEAREST);
        [$radial, $across, $up, $both] = ShotVariance::of($sight, $accuracy, $d);
        [$c, $s] = [$n / $d, $e / $d];
        [$vn, $ve, $vne] = $precision->variances($station->mark, $found);
        $centring = $accuracy->centring ** 2;

        return new self(
            nn: $vn + $centring + $c * $c * $radial + $s * $s * $across,
            ne: $vne + $c * $s * ($radial - $across),
            nh: $c * $both,
            ee: $ve + $centring + $s * $s * $radial + $c * $c * $across,
            eh: $s * $both,
            hh: ($precision->height ?? 0.0) + $accuracy->height ** 2 + $up,
        );
    }

    /** In plan, in the direction in which it is the weaker; square metres. */
    public function weakest(): float
    {
        return (Ellipse::ninetyFive($this->nn, $this->ee, $this->ne)->major / Ellipse::NINETY_FIVE) ** 2;
    }

    /**
     * As a matrix: of plan alone, or of plan and height.
     *
     * @param  int  $size  2 or 3
     * @return list<list<float>>
     */
    public function matrix(int $size): array
    {
        return $size === 2 ? [[$this->nn, $this->ne], [$this->ne, $this->ee]] : [[$this->nn, $this->ne, $this->nh], [$this->ne, $this->ee, $this->eh], [$this->nh, $this->eh, $this->hh]];
    }

    /**
     * A difference, weighed by the inverse of these: χ² with as many degrees of freedom as it has parts.
     *
     * @param  list<float>  $off  north, east and, where it has one, height; metres
     */
    public function square(array $off): float
    {
        $square = 0.0;
        foreach (Cholesky::invert($this->matrix(count($off))) as $i => $row) {
            foreach ($row as $k => $w) {
                $square += $off[$i] * $w * $off[$k];
            }
        }

        return $square;
    }

    /** Of two parts that know nothing of each other. */
    public function plus(self $o): self
    {
        return new self($this->nn + $o->nn, $this->ne + $o->ne, $this->nh + $o->nh, $this->ee + $o->ee, $this->eh + $o->eh, $this->hh + $o->hh);
    }

    /**
     * The same of what these figures are put together to.
     *
     * @param  array{list<float>, list<float>, list<float>}  $rows  what a metre of northing, easting and elevation moves in each
     */
    public function through(array $rows): self
    {
        [$p, $q, $r] = $rows;

        return new self(
            $this->of2($p, $p), $this->of2($p, $q), $this->of2($p, $r), $this->of2($q, $q), $this->of2($q, $r), $this->of2($r, $r),
        );
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private function of2(array $a, array $b): float
    {
        return $a[0] * ($this->nn * $b[0] + $this->ne * $b[1] + $this->nh * $b[2])
            + $a[1] * ($this->ne * $b[0] + $this->ee * $b[1] + $this->eh * $b[2])
            + $a[2] * ($this->nh * $b[0] + $this->eh * $b[1] + $this->hh * $b[2]);
    }
}
