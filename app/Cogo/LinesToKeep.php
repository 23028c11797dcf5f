<?php

declare(strict_types=1);

namespace App\Cogo;

/** Keeps the lines and arcs of a construction as a drawing of its own. */
final readonly class LinesToKeep
{
    public function __construct(
        public Construction $construction,
        public string $name,
        public string $letter = 'A',
    ) {}
}
