<?php

declare(strict_types=1);

namespace App\Instrument\Http;

use App\Instrument\Models\QueuedInstruction;

final readonly class InstructionResource
{
    public function __construct(
        public int $id,
        public string $key,
        public string $kind,
        public string $state,
        public ?string $why,
        public ?int $observationId,
    ) {}

    public static function of(QueuedInstruction $i): self
    {
        return new self($i->id, $i->key, $i->kind, $i->state, $i->why, $i->observation_id);
    }
}
