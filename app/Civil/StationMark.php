<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Alignments\Alignment;

/** A place of an alignment that is marked on the plan. */
final readonly class StationMark
{
    /**
     * @param  float  $along  metres from the start
     * @param  float  $station  metres, as it is counted there
     * @param  string  $name  of a main point; “=” at an equation; empty at a round station
     * @param  float|null  $back  at an equation, the station that ends there
     * @param  float  $azimuth  in which the alignment runs there, radians
     */
    public function __construct(
        public float $along,
        public float $station,
        public int $region,
        public string $name,
        public ?float $back,
        public float $northing,
        public float $easting,
        public float $azimuth,
    ) {}

    public static function of(Alignment $alignment, float $along, string $name, ?float $back = null): self
    {
        $at = $alignment->at($along);

        return new self(
            along: $along,
            station: $alignment->stationing->stationAt($along),
            region: $alignment->stationing->regionAt($along),
            name: $name,
            back: $back,
            northing: $at->northing,
            easting: $at->easting,
            azimuth: $alignment->azimuthAt($along),
        );
    }
}
