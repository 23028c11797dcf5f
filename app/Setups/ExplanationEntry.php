<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\ListOf;
use Parlay\Core\Setups\Blunders\Cause;
use Parlay\Core\Setups\Blunders\Explanation;
use Parlay\Words\Explanations;

/** A cause that explains why the sights don't fit; the likeliest comes first. */
final readonly class ExplanationEntry
{
    /**
     * unitWeightDeviation: of the figure once it is mended, about 1 is well. behind: how much worse it explains the readings than the
     * first, in weighted squares. value: by which the target height, the instrument height or the prism constant should be larger;
     * metres. level: the readings can't tell it from the first. decides: what to measure to tell those apart.
     *
     * @param  list<string>  $sights  names
     */
    public function __construct(
        public Cause $cause,
        #[ListOf('string')]
        public array $sights,
        public string $sentence,
        public string $remedy,
        public float $unitWeightDeviation,
        public float $behind,
        public ?float $value,
        public bool $level,
        public ?string $decides,
    ) {}

    public static function of(Explanation $e, float $best, Explanations $words): self
    {
        return new self(
            cause: $e->cause,
            sights: $e->sights,
            sentence: $words->sentence($e),
            remedy: $words->remedy($e),
            unitWeightDeviation: $e->unitWeightDeviation(),
            behind: $e->score() - $best,
            value: $e->value,
            level: $e->level,
            decides: $e->decides === null ? null : $words->decides($e->decides),
        );
    }
}
