<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Stakeout\Models\RunStep;
use Parlay\Core\Stakeout\DotMiss;

final readonly class RunStepEntry
{
    /** miss: how far the dot lies from where the mark belongs, as it was aimed last. */
    public function __construct(
        public int $place,
        public ?int $pointId,
        public ?int $aimId,
        public string $name,
        public StepState $state,
        public string $why,
        public int $tries,
        public ?DotMiss $miss,
        public ?int $markId,
    ) {}

    public static function of(RunStep $s): self
    {
        $miss = $s->miss;
        $figure = static fn (string $name): ?float => isset($miss[$name]) ? (float) $miss[$name] : null;

        return new self(
            place: $s->place,
            pointId: $s->point_id,
            aimId: $s->aim_id,
            name: $s->name,
            state: $s->state,
            why: $s->why,
            tries: $s->tries,
            miss: $miss === null ? null : new DotMiss(
                (float) $miss['north'], (float) $miss['east'], isset($miss['height']) ? (float) $miss['height'] : null, (float) $miss['depth'],
                $figure('moved'), $figure('wall'), $figure('through'),
            ),
            markId: $s->mark_id,
        );
    }
}
