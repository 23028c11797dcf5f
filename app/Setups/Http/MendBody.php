<?php

declare(strict_types=1);

namespace App\Setups\Http;

use Parlay\Core\ListOf;

final readonly class MendBody
{
    /** @param  list<int>  $setupIds */
    public function __construct(
        #[ListOf('int')]
        public array $setupIds,
        public string $note,
    ) {}
}
