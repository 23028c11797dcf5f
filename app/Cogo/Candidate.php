<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\Geometry\Position;

/** A place that may become a point, with how it is made. */
final readonly class Candidate
{
    /**
     * @param  string|null  $name  that it has by itself
     * @param  string|null  $code  the same
     */
    public function __construct(
        public Construction $construction,
        public Position $position,
        public string $letter = 'A',
        public int $index = 0,
        public ?string $name = null,
        public ?string $code = null,
    ) {}

    public function named(?string $name): self
    {
        return new self($this->construction, $this->position, $this->letter, $this->index, $name, $this->code);
    }
}
