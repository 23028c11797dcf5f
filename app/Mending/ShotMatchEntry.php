<?php

declare(strict_types=1);

namespace App\Mending;

use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\MatchDoubt;

/** An as-built shot that is held against nothing, and the points that it may be of. */
final readonly class ShotMatchEntry
{
    /**
     * doubt: why it is not plain which one it is; null where it is, or where there is none.
     *
     * @param  list<MatchCandidate>  $candidates  the nearest first
     */
    public function __construct(
        public int $markId,
        public string $name,
        public string $code,
        #[ListOf(MatchCandidate::class)]
        public array $candidates,
        public ?MatchDoubt $doubt,
    ) {}
}
