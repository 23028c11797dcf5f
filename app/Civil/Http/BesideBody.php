<?php

declare(strict_types=1);

namespace App\Civil\Http;

use Parlay\Core\ListOf;

final readonly class BesideBody
{
    /** @param  list<int>  $ids  of points */
    public function __construct(
        #[ListOf('int')]
        public array $ids,
    ) {}
}
