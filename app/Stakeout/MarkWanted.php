<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\OffsetShot;

/** That a measurement is stored as a mark where it arrives: a check, a stake or an as-built shot, as its purpose says. */
final readonly class MarkWanted
{
    /**
     * name, code: where they are not those of what it is held against. evenOut, withoutCheck, evenMoved (onto a wall beside the design): the person was asked before and said yes.
     * judged: what counts, where that is not what the target or the code says. dot: on what it was made, with the red dot.
     * offset: of what was built, beside the prism that is read. foundFrom: found from readings before this one.
     */
    public function __construct(
        public string $name = '',
        public string $code = '',
        public bool $evenOut = false,
        public bool $withoutCheck = false,
        public ?Judged $judged = null,
        public ?DotMarked $dot = null,
        public string $note = '',
        public bool $evenMoved = false,
        public ?OffsetShot $offset = null,
        public ?FoundFrom $foundFrom = null,
    ) {}
}
