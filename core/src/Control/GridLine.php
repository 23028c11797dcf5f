<?php

declare(strict_types=1);

namespace Parlay\Core\Control;

use Parlay\Core\Geometry\Position;

/** A named line of a building's grid, from one end to the other; a ring runs about its first place through the second. */
final readonly class GridLine
{
    /** @param  string  $family  lines that run alike: "letters", "numbers", "rings" */
    public function __construct(
        public string $name,
        public string $family,
        public Position $from,
        public Position $to,
        public bool $ring = false,
    ) {}

    /**
     * How far the first end of another line lies from this one, which goes on for ever; metres. The quickest check of a grid against
     * its drawing.
     */
    public function apart(self $other): float
    {
        $across = $this->from->azimuthTo($this->to) + M_PI_2;

        return abs(
            ($other->from->northing - $this->from->northing) * cos($across) + ($other->from->easting - $this->from->easting) * sin($across),
        );
    }
}
