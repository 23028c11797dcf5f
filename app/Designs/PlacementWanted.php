<?php

declare(strict_types=1);

namespace App\Designs;

use Parlay\Core\ListOf;
use Parlay\Core\Units\LengthUnit;

final readonly class PlacementWanted
{
    /** @param  list<PlacedPair>  $pairs */
    public function __construct(
        public LengthUnit $unit,
        #[ListOf(PlacedPair::class)]
        public array $pairs = [],
        public bool $withScale = false,
        public ?TypedPlacement $typed = null,
    ) {}
}
