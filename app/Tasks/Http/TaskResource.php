<?php

declare(strict_types=1);

namespace App\Tasks\Http;

use App\Tasks\Models\Task;
use App\Tasks\Progress;

final readonly class TaskResource
{
    /** @param  string  $state  waiting, running, done, failed, cancelled, or asks: could be done, but only when the person says so */
    public function __construct(
        public int $id,
        public string $kind,
        public string $state,
        public ?string $error,
        public mixed $result,
        public float $part,
        public string $doing,
    ) {}

    public static function of(Task $t): self
    {
        [$part, $doing] = in_array($t->state, ['waiting', 'running'], true) ? Progress::of($t->id) : [1.0, ''];

        return new self($t->id, $t->kind, $t->state, $t->error, $t->result, $part, $t->state === 'waiting' ? 'waiting its turn' : $doing);
    }
}
