<?php

declare(strict_types=1);

namespace App\Projects\Http;

use Parlay\Core\ListOf;

final readonly class IdsBody
{
    /** @param  list<int>  $ids */
    public function __construct(
        #[ListOf('int')]
        public array $ids,
    ) {}
}
