<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use App\Points\NamingWay;
use OpenApi\Attributes as OA;

/** Keeps places of a construction as stakeout points. */
#[OA\Schema]
final readonly class KeepConstructionBody
{
    /**
     * name: of the one point, or the prefix or beginning of the names of several.
     *
     * @param  list<KeptPlace>  $kept
     */
    public function __construct(
        public ConstructionBody $construction,
        #[ListOf(KeptPlace::class)]
        public array $kept,
        public string $name,
        public NamingWay $naming = NamingWay::Numbered,
        public string $code = '',
        public string $description = '',
        public ?ElevationBody $elevation = null,
    ) {}
}
