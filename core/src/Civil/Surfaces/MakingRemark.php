<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;

/** Something that was strange in what a surface was made of, and what was done about it. */
final readonly class MakingRemark
{
    private function __construct(public MakingRemarkKind $kind, public Position $at, public float $apart = 0.0, public int $count = 1) {}

    /** Two points at one place with different heights, metres apart: the first counts. */
    public static function twoHeights(Position $at, float $apart): self
    {
        return new self(MakingRemarkKind::TwoHeights, $at, $apart);
    }

    /** Two lines that cross with different heights, metres apart: the middle counts. */
    public static function linesCross(Position $at, float $apart): self
    {
        return new self(MakingRemarkKind::LinesCross, $at, $apart);
    }

    /** An outline and a line of the ground that meet with different heights, metres apart: the line's counts. */
    public static function outlineMeetsLine(Position $at, float $apart): self
    {
        return new self(MakingRemarkKind::OutlineMeetsLine, $at, $apart);
    }

    /** An outline whose heights lie so many metres off the ground's: it cuts, and none of them counts. */
    public static function outlineFar(Position $at, float $apart): self
    {
        return new self(MakingRemarkKind::OutlineFar, $at, $apart);
    }
}
