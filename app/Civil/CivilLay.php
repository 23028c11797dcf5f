<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Formerly;

/** How an alignment or a surface is staked: which, beside and above what, and where its heights come from. */
final readonly class CivilLay
{
    /**
     * alignmentId: what is staked; surfaceId: the surface that is staked, or that the heights of an alignment come from. offset: metres right
     * of the axis that is staked, negative left. grade: only heights count, wherever one stands beside the axis. profile, shape: which of
     * the alignment's, from 0; none where null. verticalOffset: metres above those heights, negative below.
     */
    public function __construct(
        public ?int $alignmentId = null,
        public ?int $surfaceId = null,
        #[Formerly('right')]
        public float $offset = 0.0,
        public bool $grade = false,
        public CivilHeights $heights = CivilHeights::Road,
        public ?int $profile = null,
        public ?int $shape = null,
        #[Formerly('raised')]
        public float $verticalOffset = 0.0,
    ) {}
}
