<?php

declare(strict_types=1);

namespace App\Practice\Http;

use Parlay\Core\ListOf;

final readonly class WorldResource
{
    /** @param  list<WorldMark>  $marks */
    public function __construct(
        public string $site,
        public int $seed,
        #[ListOf(WorldMark::class)]
        public array $marks,
        public WorldPole $pole,
        public WorldTripod $tripod,
        public WorldAir $air,
        public bool $blocked,
        public bool $wrongFace,
        public float $battery,
        public float $haste,
    ) {}
}
