<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\ListOf;

/** Points that were made, and how many places already had one. */
final readonly class PointsKept
{
    /** @param  list<string>  $names */
    public function __construct(
        public int $made,
        public int $standing,
        #[ListOf('string')]
        public array $names,
    ) {}
}
