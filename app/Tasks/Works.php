<?php

declare(strict_types=1);

namespace App\Tasks;

/** By what each kind of task is carried out, and what it gives. Which work that is, is said where the application is put together. */
final readonly class Works
{
    /**
     * @param  array<value-of<TaskKind>, class-string<Work>>  $works
     * @param  array<value-of<TaskKind>, class-string>  $results  of those whose result has a type of its own
     */
    public function __construct(private array $works, private array $results) {}

    /** @return class-string<Work> */
    public function of(TaskKind $kind): string
    {
        return $this->works[$kind->value] ?? throw new \LogicException("Nobody carries out {$kind->value}.");
    }

    /** @return class-string|null */
    public function gives(TaskKind $kind): ?string
    {
        return $this->results[$kind->value] ?? null;
    }
}
