<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

use Parlay\Core\Geometry\Position;

/** What is already in the project to hold a new list against. */
final readonly class Surroundings
{
    /**
     * @param  array<string, Position>  $named  control and points by name
     * @param  list<Position>  $spots  places drawn in the designs, such as points and centres
     * @param  array{float, float, float, float}|null  $extent  least easting, least northing, greatest easting, greatest northing of it all
     */
    public function __construct(
        public array $named = [],
        public array $spots = [],
        public ?array $extent = null,
    ) {}

    /** Whether the project has nothing to compare with. */
    public function isEmpty(): bool
    {
        return $this->extent === null;
    }
}
