<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

/** What a road is like across its axis. */
interface RoadShape
{
    /**
     * @param  float  $along  metres from the start of the alignment
     * @param  float  $right  metres to the right of it, negative to the left
     * @param  float|null  $axis  height of the profile there, metres; null where it has none
     * @param  float|null  $ground  height of the ground there, where it is known: it decides between cutting and embankment
     */
    public function heightAt(float $along, float $right, ?float $axis, ?float $ground = null): ?OnSection;

    /**
     * The line across there, from left to right.
     *
     * @return list<SectionPoint>
     */
    public function section(float $along, ?float $axis): array;
}
