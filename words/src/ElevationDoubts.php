<?php

declare(strict_types=1);

namespace Parlay\Words;

use Parlay\Core\Control\ElevationDoubt;
use Parlay\Core\Units\LengthStyle;

/** What is doubted of an elevation that is about to become a point's. */
final class ElevationDoubts
{
    public static function sentence(ElevationDoubt $doubt, LengthStyle $length): string
    {
        $off = $length->format(abs($doubt->beyond));
        $where = $doubt->beyond < 0 ? "$off below the lowest control" : "$off above the highest control";

        return "Its elevation, {$length->format($doubt->elevation)}, lies $where: was it drawn without heights? Type the elevation, or stake it in plan only.";
    }
}
