<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use OpenApi\Attributes as OA;
use Parlay\Core\Units\LengthUnit;

#[OA\Schema]
final readonly class InspectionResource
{
    /**
     * @param  list<float>  $extent
     *  @param  list<float>  $heights
     *  @param  list<InspectedLayer>  $layers
     *  @param  list<string>  $remarks
     */
    public function __construct(
        public ?LengthUnit $declaredUnit,
        public string $version,
        #[ListOf('float')]
        public array $extent,
        #[ListOf('float')]
        public array $heights,
        #[ListOf(InspectedLayer::class)]
        public array $layers,
        #[ListOf('string')]
        public array $remarks,
    ) {}
}
