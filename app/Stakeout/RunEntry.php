<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Stakeout\Models\Run;
use Parlay\Core\ListOf;

final readonly class RunEntry
{
    /**
     * place: the step it is at, counted from 0. leader: the device that leads it.
     *
     * @param  list<RunStepEntry>  $steps
     */
    public function __construct(
        public int $id,
        public RunState $state,
        public string $why,
        public string $leader,
        public RunSettings $settings,
        public int $place,
        #[ListOf(RunStepEntry::class)]
        public array $steps,
    ) {}

    public static function of(Run $r): self
    {
        return new self(
            $r->id, $r->state, $r->why, $r->leader, $r->settings(), $r->place,
            array_values($r->steps()->orderBy('place')->get()->map(RunStepEntry::of(...))->all()),
        );
    }
}
