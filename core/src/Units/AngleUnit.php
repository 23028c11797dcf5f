<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** What a circle is divided into (ISO 80000-3). */
enum AngleUnit: string
{
    case Degree = 'degree';
    case Gon = 'gon';

    /** Units of half a turn. */
    public function halfTurn(): float
    {
        return $this === self::Gon ? 200.0 : 180.0;
    }
}
