<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\ListOf;
use Parlay\Core\Units\LengthUnit;

/** What a civil model holds, before anything of it is taken; metres by the unit it was read in. */
final readonly class ModelInspection
{
    /**
     * @param  LengthUnit  $unit  that the figures here were read in
     * @param  list<InspectedAlignment>  $alignments
     * @param  list<InspectedSurface>  $surfaces
     * @param  list<CountedThing>  $counts  what is counted and not taken here
     * @param  list<string>  $remarks
     * @param  list<ModelFit>  $fits  the ways in which it fits the control, the best first
     */
    public function __construct(
        public string $fileName,
        public ?LengthUnit $declaredUnit,
        public LengthUnit $unit,
        public string $version,
        public string $application,
        public int $points,
        #[ListOf(InspectedAlignment::class)]
        public array $alignments,
        #[ListOf(InspectedSurface::class)]
        public array $surfaces,
        public int $features,
        #[ListOf(CountedThing::class)]
        public array $counts,
        #[ListOf('string')]
        public array $remarks,
        #[ListOf(ModelFit::class)]
        public array $fits,
        public int $controlTried,
    ) {}
}
