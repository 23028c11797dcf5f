<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\ListOf;

/** Old and new names, in the order in which they are given; and new ones that are taken already. */
final readonly class PointsRenamed
{
    /**
     * @param  list<int>  $ids
     * @param  list<string>  $before
     * @param  list<string>  $after
     * @param  list<string>  $taken
     */
    public function __construct(
        #[ListOf('int')]
        public array $ids,
        #[ListOf('string')]
        public array $before,
        #[ListOf('string')]
        public array $after,
        #[ListOf('string')]
        public array $taken,
    ) {}
}
