<?php

declare(strict_types=1);

namespace App\Setups\Http;

use Parlay\Core\ListOf;

/** A place to stand in thought. */
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
