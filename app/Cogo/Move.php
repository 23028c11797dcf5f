<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\Fit\FitKind;
use Parlay\Core\ListOf;

/** Moves points in plan, and by a difference of height. */
final readonly class Move
{
    /**
     * from, to: places that say the shift, in plan and, where both have one, in height. about: the place that stays. angle: clockwise; or a
     * direction as it is and as it is to be. line: to mirror on.
     * controlIds: measured control points that move with them.
     *
     * @param  list<int>  $ids
     * @param  list<int>  $controlIds
     * @param  list<FitPair>  $pairs
     */
    public function __construct(
        #[ListOf('int')]
        public array $ids,
        public MoveKind $kind,
        public float $dNorthing = 0.0,
        public float $dEasting = 0.0,
        public float $dElevation = 0.0,
        public ?GivenPlace $from = null,
        public ?GivenPlace $to = null,
        public ?GivenPlace $about = null,
        public float $angle = 0.0,
        public ?GivenDirection $directionNow = null,
        public ?GivenDirection $directionWanted = null,
        public float $factor = 1.0,
        public ?GivenLine $line = null,
        #[ListOf(FitPair::class)]
        public array $pairs = [],
        public FitKind $fit = FitKind::ShiftAndRotation,
        #[ListOf('int')]
        public array $controlIds = [],
    ) {}
}
