<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

/** What a packed record of a drawing is; the numbers are part of the record's layout. */
enum ShapeKind: int
{
    case Line = 1;
    case Arc = 2;
    case Circle = 3;
    case Point = 4;
    case Text = 5;
    case Insert = 6;
    case Ellipse = 7;
    case Spline = 8;
    case Face = 9;

    /** As people call it. */
    public function word(): string
    {
        return strtolower($this->name);
    }
}
