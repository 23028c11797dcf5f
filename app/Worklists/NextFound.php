<?php

declare(strict_types=1);

namespace App\Worklists;

final readonly class NextFound
{
    /** pointId: null where none is left. left: how many are, with it. */
    public function __construct(
        public ?int $pointId,
        public int $left,
    ) {}
}
