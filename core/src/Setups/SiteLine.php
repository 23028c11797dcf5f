<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Geometry\Position;

/** A line that can be seen on site and is known in the design: a grid line, an edge, a chalk line. */
final readonly class SiteLine
{
    /** How well a line is chalked, where nobody says: common practice, no source. Metres. */
    public const MARKED = 0.002;

    /**
     * @param  float  $offset  how far to the right of the line, seen from its first end, the shots were taken; metres, where the line
     *     itself is covered
     * @param  float  $deviation  how well the line is marked on site, as a whole: one error for all shots on it; metres
     *
     * @throws CannotSetUp where both ends are one place
     */
    public function __construct(
        public string $name,
        public Position $from,
        public Position $to,
        public float $offset = 0.0,
        public float $deviation = 0.0,
    ) {
        if ($from->distanceTo($to) < Resection::ONE_PLACE) {
            throw CannotSetUp::noLine($name);
        }
    }

    /** From its first end to its second; grid azimuth, radians. */
    public function azimuth(): float
    {
        return $this->from->azimuthTo($this->to);
    }

    /** How far a place lies to the right of where the shots should be; metres. */
    public function right(Position $p): float
    {
        $across = $this->azimuth() + M_PI_2;

        return ($p->northing - $this->from->northing) * cos($across) + ($p->easting - $this->from->easting) * sin($across) - $this->offset;
    }

    /** How far along a place lies from the first end, in lengths of the drawn part: from 0 to 1 it lies on it. */
    public function along(Position $p): float
    {
        $a = $this->azimuth();

        return (($p->northing - $this->from->northing) * cos($a)
            + ($p->easting - $this->from->easting) * sin($a)) / $this->from->distanceTo($this->to);
    }
}
