<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

/** What is not given stays as it is, so that two fields changed at once don't undo each other. */
#[OA\Schema]
final readonly class DraftChangeBody
{
    /** @param  list<DraftSightBody>|null  $sights */
    public function __construct(
        public ?SetupMethod $method = null,
        public ?int $stationControlId = null,
        public ?float $instrumentHeight = null,
        public ?float $targetHeight = null,
        public ?float $prismConstant = null,
        public ?float $pressure = null,
        public ?float $temperature = null,
        #[ListOf(DraftSightBody::class)]
        public ?array $sights = null,
    ) {}
}
