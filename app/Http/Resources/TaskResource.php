<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Task;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class TaskResource
{
    public function __construct(
        public int $id,
        public string $kind,
        public string $state,
        public ?string $error,
        public mixed $result,
    ) {}

    public static function of(Task $t): self
    {
        return new self($t->id, $t->kind, $t->state, $t->error, $t->result);
    }
}
