<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** How a project writes stations: 1+234.567 (thousands of metres) or 12+34.56 (hundreds of feet). */
enum StationStyle: string
{
    case Thousands = '1+000';
    case Hundreds = '1+00';

    /** @param  float  $metres distance along, from the alignment's zero */
    public function format(float $metres, LengthUnit $unit): string
    {
        [$step, $places] = $this === self::Thousands ? [1000, 3] : [100, 2];
        $value = round(abs($metres) / $unit->metres(), $places);
        $whole = (int) floor($value / $step);
        $width = strlen((string) ($step / 10)) + 1 + $places;

        return ($metres < 0 && $value > 0 ? '-' : '').$whole.'+'.sprintf('%0'.$width.'.'.$places.'f', $value - $whole * $step);
    }
}
