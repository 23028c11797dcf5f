<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** A part of the raster of places to stand. */
#[OA\Schema]
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
