<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** How a place that no prism can stand on and no beam can reach is found from several shots. */
enum HiddenMethod: string
{
    /** two shots, with a tape from each to the place */
    case TwoTapes = 'two_tapes';
    /** two shots on each of two walls, whose faces meet there */
    case WallCorner = 'wall_corner';
    /** three shots on the face of a round column: its centre */
    case RoundColumn = 'round_column';
    /** both edges of a round column as one sees it, and its front: its centre */
    case ColumnEdges = 'column_edges';
    /** two prisms on one rod, the second one nearer to its tip */
    case Rod = 'rod';

    /** How many shots it takes. */
    public function shots(): int
    {
        return match ($this) {
            self::TwoTapes, self::Rod => 2,
            self::RoundColumn, self::ColumnEdges => 3,
            self::WallCorner => 4,
        };
    }
}
