<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

use Parlay\Core\ListOf;

/** The line across a road at one station, from left to right. */
final readonly class CrossSection
{
    /** @var list<SectionPoint> from left to right */
    #[ListOf(SectionPoint::class)]
    public array $points;

    /**
     * @param  float  $along  metres from the start of the alignment
     * @param  list<SectionPoint>  $points
     */
    public function __construct(public float $along, array $points)
    {
        usort($points, static fn (SectionPoint $a, SectionPoint $b) => $a->offset <=> $b->offset);
        $this->points = $points;
    }
}
