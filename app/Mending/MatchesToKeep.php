<?php

declare(strict_types=1);

namespace App\Mending;

use Parlay\Core\ListOf;

final readonly class MatchesToKeep
{
    /** @param  list<MatchToKeep>  $matches */
    public function __construct(
        #[ListOf(MatchToKeep::class)]
        public array $matches,
    ) {}
}
