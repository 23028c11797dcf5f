<?php

declare(strict_types=1);

namespace App\Setups;

use App\Points\PositionEntry;
use Parlay\Core\ListOf;

/** One of the places where the instrument may stand. */
final readonly class PossiblePlace
{
    /**
     * shots: where the shots on lines lie then. onDrawn: how many lie on the drawn parts; null where it is no grid.
     *
     * @param  list<PositionEntry>  $shots
     */
    public function __construct(
        public float $northing,
        public float $easting,
        public float $orientation,
        public ?int $onDrawn,
        #[ListOf(PositionEntry::class)]
        public array $shots,
    ) {}
}
