<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilAlignment;
use Parlay\Core\Geometry\Position;

/** Where a place lies beside an alignment, and what the alignment is there. */
final readonly class BesideAlignment
{
    /**
     * @param  float  $along  metres from the start
     * @param  float  $offset  metres to the right, negative left
     * @param  float  $away  metres to the nearest place of it
     * @param  float|null  $elevation  of the design there
     */
    public function __construct(
        public int $id,
        public string $name,
        public float $along,
        public float $station,
        public int $region,
        public float $offset,
        public float $away,
        public float $northing,
        public float $easting,
        public ElementEntry $element,
        public ?float $elevation,
    ) {}

    public static function of(CivilAlignment $row, Position $at): self
    {
        $profile = $row->designedProfile();
        $road = $row->road($profile, $row->shapes === [] ? null : 0);
        $foot = $road->alignment->foot($at);

        return new self(
            id: $row->id,
            name: $row->name,
            along: $foot->along,
            station: $road->alignment->stationing->stationAt($foot->along),
            region: $road->alignment->stationing->regionAt($foot->along),
            offset: $foot->offset,
            away: hypot($foot->place->distanceTo($at), max(0.0, -$foot->along, $foot->along - $road->alignment->length)),
            northing: $foot->place->northing,
            easting: $foot->place->easting,
            element: ElementEntry::of($road->alignment->elements[$foot->element], $road->alignment->begins[$foot->element]),
            elevation: $road->heightAt($foot->along, $foot->offset)?->elevation,
        );
    }
}
