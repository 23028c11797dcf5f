<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthStyle;

/** How a place may have been written wrong in a list of control. */
final readonly class Listed
{
    public function __construct(
        private LengthStyle $length,
    ) {}

    public static function exchanged(Position $listed): Position
    {
        return new Position($listed->easting, $listed->northing, $listed->elevation);
    }

    /**
     * Places that one slip of the pen makes of the one that was found.
     *
     * @param  float  $plan  metres that a coordinate may differ by chance
     * @param  float  $height  and an elevation
     * @return list<array{string, Position, string}> the coordinate's name, the place that was meant, what stands and what fits
     */
    public function slips(Position $listed, Position $found, float $plan, float $height): array
    {
        $north = $this->meant($listed->northing, $found->northing, $plan);
        $east = $this->meant($listed->easting, $found->easting, $plan);
        $up = $listed->elevation === null || $found->elevation === null ? null : $this->meant($listed->elevation, $found->elevation, $height);

        return [
            ...($north === null ? [] : [['northing', new Position($north, $listed->easting, $listed->elevation), $this->fits($listed->northing, $north)]]),
            ...($east === null ? [] : [['easting', new Position($listed->northing, $east, $listed->elevation), $this->fits($listed->easting, $east)]]),
            ...($up === null ? [] : [['elevation', $listed->at($up), $this->fits((float) $listed->elevation, $up)]]),
        ];
    }

    private function fits(float $written, float $meant): string
    {
        return sprintf('%s stands there, and %s fits.', $this->length->format($written), $this->length->format($meant));
    }

    /** Digits slip in the unit that the list was written in: the project's, or metres. */
    private function meant(float $written, float $found, float $within): ?float
    {
        return WrittenDigits::meant($written, $found, $within, $this->length->unit()->metres()) ?? WrittenDigits::meant($written, $found, $within);
    }
}
