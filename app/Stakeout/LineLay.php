<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\Aims\LineHeights;

/** How a line is staked: from which end, at which heights, and which of its parallels now. */
final readonly class LineLay
{
    /**
     * elevation: where the line has one height, metres. parallel: which is staked now, from 0.
     *
     * @param  list<Parallel>  $parallels  the line itself among them
     */
    public function __construct(
        public bool $reversed = false,
        public LineHeights $heights = LineHeights::Vertices,
        public ?float $elevation = null,
        #[ListOf(Parallel::class)]
        public array $parallels = [new Parallel],
        public int $parallel = 0,
    ) {}

    public function current(): Parallel
    {
        return $this->parallels[$this->parallel] ?? new Parallel;
    }
}
