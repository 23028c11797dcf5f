<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\ListOf;
use Parlay\Core\Setups\MarksApart;

final readonly class SetupState
{
    /**
     * explanations: why the sights don’t fit, the likeliest first; empty where nothing usual explains them, null where nothing is
     * suspected. places: all that fit, the chosen one among them. weakness: what is weak about the figure. angleOff, angleDeviation:
     * angle between the first two lines, measured less designed, radians. apart: two marks by the distance between them. baselineLength: as measured. turned: what the baseline would
     * make of all that was measured from here before.
     *
     * @param  list<PossiblePlace>  $places
     * @param  list<ExplanationEntry>|null  $explanations
     * @param  list<string>  $beyondLimit  sights and lines that are off by more than the project accepts
     */
    public function __construct(
        public DraftEntry $draft,
        public ?SolutionEntry $solution,
        #[ListOf(PossiblePlace::class)]
        public array $places,
        public ?string $problem,
        public ?string $weakness,
        public ?AcceptedSetup $current,
        #[ListOf(ExplanationEntry::class)]
        public ?array $explanations,
        public ?float $angleOff,
        public ?float $angleDeviation,
        public ?MarksApart $apart,
        public ?float $baselineLength,
        public ?MendedSetupEntry $turned,
        #[ListOf('string')]
        public array $beyondLimit,
    ) {}
}
