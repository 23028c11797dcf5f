<?php

declare(strict_types=1);

namespace App\Designs;

use Parlay\Core\ListOf;
use Parlay\Core\Units\LengthUnit;

final readonly class Inspection
{
    /**
     * @param  list<float>  $extent  of the body of the work, drawing units
     * @param  list<float>  $heights
     * @param  list<InspectedLayer>  $layers
     * @param  list<string>  $remarks
     * @param  list<string>  $repairs  of a damaged file, each with its line
     * @param  list<StrayEntry>  $strays  drawing units
     * @param  list<StoreyEntry>  $storeys  of a building model, from below upward
     * @param  list<FitEntry>  $fits  the ways in which it fits the control, the best first
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
        #[ListOf(StrayEntry::class)]
        public array $strays,
        #[ListOf(FitEntry::class)]
        public array $fits,
        public int $controlTried,
        public int $crossingsTried,
        #[ListOf(StoreyEntry::class)]
        public array $storeys,
    ) {}
}
