<?php

declare(strict_types=1);

namespace App\Points;

/** Whether a point is still to be staked. */
enum PointState: string
{
    case Open = 'open';
    /** its last mark is out of tolerance, and was not left so on purpose */
    case Redo = 'redo';
    case Done = 'done';
}
