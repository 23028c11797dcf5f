<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Adjustment\Equation;
use Parlay\Core\Adjustment\Model;
use Parlay\Core\Geometry\Circle;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;

/**
 * Distances of places from a circle written as A(x² + y²) + Bx + Cy + D = 0 with B² + C² − 4AD = 1. Unknowns: A, D and θ, B = E cos θ,
 * C = E sin θ, E = √(1 + 4AD), about a place among them and in parts of how far they spread.
 *
 * A centre far away makes no difference to it: a flat arc is a small A, a line A = 0. Source: Chernov & Lesort, Least squares fitting
 * of circles, 2005 (recalled; confirmed with scipy).
 */
final readonly class CircleModel implements Model
{
    /** @param  list<Position>  $places */
    public function __construct(
        private array $places,
        private Position $middle,
        private float $spread,
    ) {}

    /** @return list<float> the unknowns of a circle */
    public function unknownsOf(Circle $circle): array
    {
        [$x, $y, $r] = [
            ($circle->centre->easting - $this->middle->easting) / $this->spread,
            ($circle->centre->northing - $this->middle->northing) / $this->spread, $circle->radius / $this->spread,
        ];
        $from = hypot($x, $y);
        $a = 1 / (2 * $r);

        return [$a, $a * ($from - $r) * ($from + $r), atan2(-$y, -$x)];
    }

    /**
     * @param  list<float>  $unknowns
     *
     * @throws NoConstruction where they make a line
     */
    public function circle(array $unknowns): Circle
    {
        [$a, $d, $theta] = $unknowns;
        if (abs($a) < 1e-12) {
            throw NoConstruction::collinear();
        }
        $e = sqrt(max(0.0, 1 + 4 * $a * $d)) / (2 * $a) * $this->spread;

        return new Circle(
            new Position($this->middle->northing - $e * sin($theta), $this->middle->easting - $e * cos($theta)),
            $this->spread / (2 * abs($a)),
        );
    }

    /** One equation for each place: its distance from the circle, metres, outside positive. */
    public function equationsAt(array $unknowns): array
    {
        [$a, $d, $theta] = $unknowns;
        $e = sqrt(max(1e-12, 1 + 4 * $a * $d));
        $equations = [];
        foreach ($this->places as $p) {
            [$x, $y] = [($p->easting - $this->middle->easting) / $this->spread, ($p->northing - $this->middle->northing) / $this->spread];
            [$z, $u] = [$x * $x + $y * $y, $x * cos($theta) + $y * sin($theta)];
            $f = $a * $z + $e * $u + $d;
            $q = sqrt(max(1e-12, 1 + 4 * $a * $f));
            $off = 2 * $f / (1 + $q);
            $r = 2 * (1 - $a * $off / $q) / ($q + 1);
            $equations[] = new Equation([
                -(($z + 2 * $d * $u / $e) * $r - $off * $off / $q),
                -((2 * $a * $u / $e + 1) * $r), -((-$x * sin($theta) + $y * cos($theta)) * $e * $r),
            ], $off, 1.0);
        }

        return $equations;
    }
}
