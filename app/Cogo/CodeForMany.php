<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\ListOf;

/** A code or a description for many points; what is null stays as it is. */
final readonly class CodeForMany
{
    /** @param  list<int>  $ids */
    public function __construct(
        #[ListOf('int')]
        public array $ids,
        public ?string $code = null,
        public ?string $description = null,
    ) {}
}
