<?php

declare(strict_types=1);

namespace App\Lists;

/** A name that is taken: in the project already, or by an earlier row. */
final readonly class DuplicateName
{
    public function __construct(
        public int $line,
        public string $name,
        public ?int $earlierLine,
    ) {}
}
