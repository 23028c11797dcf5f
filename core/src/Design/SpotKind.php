<?php

declare(strict_types=1);

namespace Parlay\Core\Design;

/** A spot of a drawing that can be pointed at. */
enum SpotKind: string
{
    case Start = 'start';
    case End = 'end';
    case Middle = 'middle';
    case Centre = 'centre';
    case Insertion = 'insertion';
    case Intersection = 'intersection';
}
