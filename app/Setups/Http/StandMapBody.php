<?php

declare(strict_types=1);

namespace App\Setups\Http;

use Parlay\Core\ListOf;

/** A part of the raster of places to stand. */
final readonly class StandMapBody
{
    /** @param  list<int>  $wallLayers */
    public function __construct(
        public float $south,
        public float $west,
        public float $step,
        public int $columns,
        public int $fromRow,
        public int $toRow,
        #[ListOf('int')]
        public array $wallLayers = [],
        public ?int $worklistId = null,
    ) {}
}
