<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Adjustment\Equation;
use Parlay\Core\Adjustment\Model;
use Parlay\Core\Geometry\Position;

/** Distances of places from a circle. Unknowns: easting and northing of the centre from the rough one and the radius, all in rough radii. */
final readonly class CircleModel implements Model
{
    /** @param  list<Position>  $places */
    public function __construct(
        private Circle $rough,
        private array $places,
    ) {}

    public function equationsAt(array $unknowns): array
    {
        [$x, $y, $radius] = $unknowns;
        $equations = [];
        foreach ($this->places as $p) {
            $dx = ($p->easting - $this->rough->centre->easting) / $this->rough->radius - $x;
            $dy = ($p->northing - $this->rough->centre->northing) / $this->rough->radius - $y;
            $d = max(hypot($dx, $dy), 1e-12);
            $equations[] = new Equation([$dx / $d, $dy / $d, 1.0], $d - $radius, 1.0);
        }

        return $equations;
    }
}
