<?php

declare(strict_types=1);

namespace Parlay\Words;

use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Units\LengthStyle;

/** Why a figure has no solution, with its length as a project writes lengths. */
final class Constructions
{
    public static function reason(NoConstruction $e, LengthStyle $style): string
    {
        return $e->metres === null ? $e->pattern : sprintf($e->pattern, $style->format($e->metres));
    }
}
