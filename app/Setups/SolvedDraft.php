<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Setups\GridPlace;
use Parlay\Core\Setups\MeasuredBaseline;
use Parlay\Core\Setups\SetupSolution;

/** What a draft gives: one place or two, and what belongs to its method. */
final readonly class SolvedDraft
{
    /**
     * @param  non-empty-list<SetupSolution>  $places
     * @param  int  $chosen  which of them the user chose
     * @param  list<GridPlace>  $gridPlaces  in the same order; empty where it is no grid
     * @param  array{off: float, deviation: float}|null  $angle  between the first two lines, measured less designed; radians
     */
    public function __construct(
        public array $places,
        public int $chosen = 0,
        public array $gridPlaces = [],
        public ?array $angle = null,
        public ?MeasuredBaseline $baseline = null,
    ) {}

    public function solution(): SetupSolution
    {
        return $this->places[$this->chosen] ?? $this->places[0];
    }
}
