<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\Bodies\SetupMethod;
use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class DraftResource
{
    /** @param  list<DraftSightResource>  $sights */
    public function __construct(
        public SetupMethod $method,
        public ?int $stationControlId,
        public float $instrumentHeight,
        public float $targetHeight,
        public float $prismConstant,
        public float $pressure,
        public float $temperature,
        public float $ppm,
        #[ListOf(DraftSightResource::class)]
        public array $sights,
    ) {}
}
