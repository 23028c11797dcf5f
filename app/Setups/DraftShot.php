<?php

declare(strict_types=1);

namespace App\Setups;

/** A shot on a line, or on a mark that is no control. */
final readonly class DraftShot
{
    public function __construct(
        public string $line,
        public int $observationId,
        public bool $used = true,
    ) {}
}
