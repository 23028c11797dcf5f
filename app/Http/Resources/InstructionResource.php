<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\QueuedInstruction;
use OpenApi\Attributes as OA;

#[OA\Schema]
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
