<?php

declare(strict_types=1);

namespace App\Examples;

use Parlay\Core\ListOf;

/** Which things of a model follow an example. */
final readonly class AlikeWanted
{
    /**
     * storey: only on this one; null for all. property: by whose text they are alike. numbers: those that were touched, by their instances.
     *
     * @param  list<int>  $numbers
     * @param  list<int>  $without  left out, by their instances
     */
    public function __construct(
        public AlikeBy $by,
        public ?string $storey = null,
        public string $property = '',
        #[ListOf('int')]
        public array $numbers = [],
        #[ListOf('int')]
        public array $without = [],
    ) {}
}
