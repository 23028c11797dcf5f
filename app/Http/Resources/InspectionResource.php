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
     * @param  list<float>  $extent  of the body of the work, drawing units
     * @param  list<float>  $heights
     * @param  list<InspectedLayer>  $layers
     * @param  list<string>  $remarks
     * @param  list<string>  $repairs  of a damaged file, each with its line
     * @param  list<StrayResource>  $strays  drawing units
     * @param  list<FitResource>  $fits  the ways in which it fits the control, the best first
     */
    public function __construct(
        public string $fileName,
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
        #[ListOf('string')]
        public array $repairs,
        public ?string $damage,
        public int $annotations,
        public int $duplicates,
        public int $zeroLengths,
        public int $overlaps,
        #[ListOf(StrayResource::class)]
        public array $strays,
        #[ListOf(FitResource::class)]
        public array $fits,
        public int $controlTried,
    ) {}
}
