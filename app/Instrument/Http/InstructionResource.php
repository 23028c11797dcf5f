<?php

declare(strict_types=1);

namespace App\Instrument\Http;

use App\Http\Problem;
use App\Instrument\Models\QueuedInstruction;
use App\Projects\Models\Project;
use App\Stakeout\MarkEntry;
use App\Stakeout\Models\Mark;

final readonly class InstructionResource
{
    /** mark: that the reading was stored as. asks: why it was not, and what the person must decide before it is. */
    public function __construct(
        public int $id,
        public string $key,
        public string $kind,
        public string $state,
        public ?string $why,
        public ?int $observationId,
        public ?MarkEntry $mark,
        public ?Problem $asks,
    ) {}

    public static function of(QueuedInstruction $i): self
    {
        $asks = $i->asks ?? null;
        $mark = ($i->mark_id ?? null) === null ? null : Mark::query()->where('project_id', $i->project_id)->find($i->mark_id);

        return new self(
            $i->id, $i->key, $i->kind, $i->state, $i->why, $i->observation_id, $mark === null ? null : MarkEntry::of($mark, Project::query()->findOrFail($i->project_id)->decisionRule()),
            $asks === null ? null : new Problem($asks['message'], $asks['reason'], null, (object) $asks['evidence']),
        );
    }
}
