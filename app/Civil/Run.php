<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\ListOf;

final readonly class Run
{
    /** @param  list<float>  $line  metres along and elevation in turn */
    public function __construct(
        #[ListOf('float')]
        public array $line,
    ) {}
}
