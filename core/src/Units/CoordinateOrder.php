<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

enum CoordinateOrder: string
{
    case NorthingEasting = 'NE';
    case EastingNorthing = 'EN';
}
