<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

/** A straight line through a place in a direction, without ends. */
final readonly class Line
{
    /** @param  float  $azimuth  grid azimuth, radians */
    public function __construct(
        public Position $from,
        public float $azimuth,
    ) {}

    /** @throws NoConstruction where both are one place */
    public static function through(Position $a, Position $b): self
    {
        return $a->distanceTo($b) === 0.0 ? throw NoConstruction::onePlace() : new self($a, $a->azimuthTo($b));
    }

    /** The parallel so far to the right, as seen along the direction; negative to the left. */
    public function offset(float $right): self
    {
        return $right === 0.0
            ? $this
            : new self($this->from->along($this->azimuth + M_PI_2, $right, $this->from->elevation), $this->azimuth);
    }

    /** @param  float  $distance  metres along it from where it begins, back where negative */
    public function at(float $distance): Position
    {
        return $this->from->along($this->azimuth, $distance);
    }

    /** Distance along the line to the foot of the perpendicular from a place, negative behind its beginning. */
    public function along(Position $p): float
    {
        return ($p->northing - $this->from->northing) * cos($this->azimuth) + ($p->easting - $this->from->easting) * sin($this->azimuth);
    }

    /** How far a place lies to the right of the line, negative to the left. */
    public function right(Position $p): float
    {
        return ($p->easting - $this->from->easting) * cos($this->azimuth) - ($p->northing - $this->from->northing) * sin($this->azimuth);
    }
}
