<?php

declare(strict_types=1);

namespace App\Points\Http;

use Parlay\Core\ListOf;

final readonly class DeletionBody
{
    /**
     * evenHeld: the person was told what hangs on them and said yes.
     *
     * @param  list<int>  $ids
     */
    public function __construct(
        #[ListOf('int')]
        public array $ids,
        public bool $evenHeld = false,
    ) {}
}
