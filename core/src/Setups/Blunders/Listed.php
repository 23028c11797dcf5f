<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthUnit;

/** How a place may have been written wrong in a list of control. */
final readonly class Listed
{
    /** @param  LengthUnit  $written  in which digits slip: that of the list, or metres */
    public function __construct(
        private LengthUnit $written,
    ) {}

    /** Northing and easting the other way about. */
    public static function exchanged(Position $listed): Position
    {
        return new Position($listed->easting, $listed->northing, $listed->elevation);
    }

    /**
     * Slips of the pen that make of what is listed the place that was found.
     *
     * @param  float  $plan  metres that a coordinate may differ by chance
     * @param  float  $height  and an elevation
     * @return list<Slip>
     */
    public function slips(Position $listed, Position $found, float $plan, float $height): array
    {
        $north = $this->meant($listed->northing, $found->northing, $plan);
        $east = $this->meant($listed->easting, $found->easting, $plan);
        $up = $listed->elevation === null || $found->elevation === null
            ? null
            : $this->meant($listed->elevation, $found->elevation, $height);

        return [
            ...($north === null
                ? []
                : [new Slip(Coordinate::Northing, $listed->northing, $north, new Position($north, $listed->easting, $listed->elevation))]),
            ...($east === null
                ? []
                : [new Slip(Coordinate::Easting, $listed->easting, $east, new Position($listed->northing, $east, $listed->elevation))]),
            ...($up === null ? [] : [new Slip(Coordinate::Elevation, (float) $listed->elevation, $up, $listed->at($up))]),
        ];
    }

    private function meant(float $written, float $found, float $within): ?float
    {
        return WrittenDigits::meant($written, $found, $within, $this->written->metres()) ?? WrittenDigits::meant($written, $found, $within);
    }
}
