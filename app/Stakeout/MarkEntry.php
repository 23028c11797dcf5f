<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Points\PositionEntry;
use App\Stakeout\Models\Mark;

final readonly class MarkEntry
{
    /** planTolerance, heightTolerance: that it was judged by; metres. */
    public function __construct(
        public int $id,
        public string $at,
        public string $kind,
        public int $setupId,
        public int $observationId,
        public ?int $pointId,
        public string $name,
        public string $code,
        public PositionEntry $found,
        public ?PositionEntry $design,
        public ?DeviationEntry $deviation,
        public string $verdict,
        public float $planTolerance,
        public float $heightTolerance,
    ) {}

    public static function of(Mark $m): self
    {
        $design = $m->design();
        $deviation = $m->deviation();

        return new self(
            $m->id, $m->at, $m->kind, $m->setup_id, $m->observation_id, $m->point_id, $m->name, $m->code, PositionEntry::of($m->position()),
            $design === null ? null : PositionEntry::of($design), $deviation === null ? null : DeviationEntry::of($deviation), $m->verdict,
            $m->plan_tolerance, $m->height_tolerance,
        );
    }
}
