<?php

declare(strict_types=1);

namespace App\Buildings\Http;

use Parlay\Core\ListOf;

/** Things of a model, by their instances. */
final readonly class ThingsResource
{
    /** @param  list<int>  $numbers */
    public function __construct(
        #[ListOf('int')]
        public array $numbers,
    ) {}
}
