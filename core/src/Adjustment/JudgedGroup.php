<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** What the other observations say of a block. */
final readonly class JudgedGroup
{
    /**
     * @param  list<Reliability>  $reliability  of its observations
     * @param  list<float>|null  $without  by how much the unknowns would change without it; null where the rest does not determine them
     */
    public function __construct(
        public array $reliability,
        public ?array $without,
    ) {}

    /** How far the first two unknowns, a place, would move without it; null where the rest does not determine them. */
    public function moves(): ?float
    {
        return $this->without === null ? null : hypot($this->without[0], $this->without[1]);
    }
}
