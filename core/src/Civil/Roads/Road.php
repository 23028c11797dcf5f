<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Profiles\Profile;

/** A road without triangles: an axis, its heights, and what lies across it. */
final readonly class Road
{
    public function __construct(public Alignment $alignment, public ?Profile $profile, public ?RoadShape $shape) {}

    /**
     * The design at a place beside the axis; null where there is none.
     *
     * @param  float|null  $ground  metres, where it is known
     */
    public function heightAt(float $along, float $right, ?float $ground = null): ?OnSection
    {
        $axis = $this->profile?->elevationAt($along);
        if ($this->shape !== null) {
            return $this->shape->heightAt($along, $right, $axis, $ground);
        }

        return $axis === null ? null : new OnSection($axis, '', 0.0);
    }
}
