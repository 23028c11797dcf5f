<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

enum ElementKind: string
{
    case Line = 'line';
    case Arc = 'arc';
    case Spiral = 'spiral';
}
