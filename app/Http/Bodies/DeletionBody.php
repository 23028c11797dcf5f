<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
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
