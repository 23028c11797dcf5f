<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

/** What heights a line has: those of its vertices, run straight from end to end, one, or none. */
enum LineHeights: string
{
    case Vertices = 'vertices';
    case Ends = 'ends';
    case One = 'one';
    case None = 'none';
}
