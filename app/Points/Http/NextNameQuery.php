<?php

declare(strict_types=1);

namespace App\Points\Http;

final readonly class NextNameQuery
{
    /** marks: also free among what was staked. */
    public function __construct(
        public string $prefix = '',
        public bool $marks = false,
    ) {}
}
