<?php

declare(strict_types=1);

namespace App\Lists;

use Parlay\Core\ListOf;

/** A list that was issued again, beside what is in use. */
final readonly class ListReissued
{
    /**
     * The lists are long at most; the counts are of all.
     *
     * @param  list<MovedName>  $moved
     * @param  list<RecodedName>  $recoded
     * @param  list<string>  $new
     * @param  list<string>  $gone
     */
    public function __construct(
        #[ListOf(MovedName::class)]
        public array $moved,
        #[ListOf(RecodedName::class)]
        public array $recoded,
        #[ListOf('string')]
        public array $new,
        #[ListOf('string')]
        public array $gone,
        public int $same,
        public int $movedCount,
        public int $recodedCount,
        public int $newCount,
        public int $goneCount,
    ) {}
}
