<?php

declare(strict_types=1);

namespace App\Worklists;

use Parlay\Core\ListOf;

/** Points in their order, and how far one walks, metres. */
final readonly class WalkFound
{
    /** @param  list<int>  $pointIds */
    public function __construct(
        #[ListOf('int')]
        public array $pointIds,
        public float $length,
    ) {}
}
