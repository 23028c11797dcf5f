<?php

declare(strict_types=1);

namespace App\Designs;

use Parlay\Core\ListOf;
use Parlay\Core\Units\LengthUnit;

final readonly class PlacementWanted
{
    /**
     * @param  list<PlacedPair>  $pairs
     * @param  bool  $holdFirst  of two pairs: the first is put exactly where it should be, the second gives the direction alone
     */
    public function __construct(
        public LengthUnit $unit,
        #[ListOf(PlacedPair::class)]
        public array $pairs = [],
        public bool $withScale = false,
        public ?TypedPlacement $typed = null,
        public bool $holdFirst = false,
    ) {}
}
