<?php

declare(strict_types=1);

namespace App\Stakeout;

/** A figure that the sheet can show while staking. */
enum SheetFigure: string
{
    /** toward the instrument and to the right */
    case Facing = 'facing';
    case NorthEast = 'north_east';
    /** along and across the line chosen for moves */
    case AlongAcross = 'along_across';
    case CutFill = 'cut_fill';
    case Distance = 'distance';
    case Azimuth = 'azimuth';
    case Elevation = 'elevation';
    case DesignElevation = 'design_elevation';
}
