<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** A place to stand in thought. */
#[OA\Schema]
final readonly class StandHereBody
{
    /**
     * worklistId: what is to be staked; all points that are still open where none is named.
     *
     * @param  list<int>  $wallLayers  layers whose lines block the sight
     */
    public function __construct(
        public float $northing,
        public float $easting,
        #[ListOf('int')]
        public array $wallLayers = [],
        public ?int $worklistId = null,
    ) {}
}
