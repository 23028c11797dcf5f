<?php

declare(strict_types=1);

namespace App\Worklists;

use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\Judged;

final readonly class TypedWorklist
{
    /**
     * expected: the points as they were when this change was begun; where another has changed them since, it is told. null: not looked at.
     *
     * judged: what counts of marks of its points; null where their codes say.
     *
     * @param  list<int>  $pointIds
     * @param  list<int>|null  $expected
     */
    public function __construct(
        public string $name,
        #[ListOf('int')]
        public array $pointIds,
        #[ListOf('int')]
        public ?array $expected = null,
        public ?Judged $judged = null,
    ) {}
}
