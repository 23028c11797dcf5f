<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class DraftBody
{
    /** @param  list<DraftSightBody>  $sights */
    public function __construct(
        public SetupMethod $method = SetupMethod::Resection,
        public ?int $stationControlId = null,
        public float $instrumentHeight = 1.6,
        public float $targetHeight = 2.0,
        public float $prismConstant = 0.0,
        public float $pressure = 1013.25,
        public float $temperature = 12.0,
        #[ListOf(DraftSightBody::class)]
        public array $sights = [],
    ) {}
}
