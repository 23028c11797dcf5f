<?php

declare(strict_types=1);

namespace App\Stakeout;

final readonly class RunCommand
{
    /** place: the step that the person saw when it was given; one that the run has left meanwhile is not meant. */
    public function __construct(
        public RunDeed $do,
        public string $leader,
        public ?int $place = null,
    ) {}
}
