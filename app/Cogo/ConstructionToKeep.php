<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Points\NamingWay;
use Parlay\Core\ListOf;

/** Keeps places of a construction as stakeout points. */
final readonly class ConstructionToKeep
{
    /**
     * name: of the one point, or the prefix or beginning of the names of several.
     *
     * @param  list<PlaceToKeep>  $kept
     */
    public function __construct(
        public Construction $construction,
        #[ListOf(PlaceToKeep::class)]
        public array $kept,
        public string $name,
        public NamingWay $naming = NamingWay::Numbered,
        public string $code = '',
        public string $description = '',
        public ?ElevationWanted $elevation = null,
    ) {}
}
