<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Instrument\Purpose;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\OffsetShot;

final readonly class MarkToStore
{
    /**
     * aimVersion: of the target, as it was when the measurement was asked for. judged: what counts, where that is not what the target or
     * the code says. evenOut, withoutCheck and evenMoved (onto a wall beside the design): the person was asked and said yes. leftSo: out of tolerance, and not to be done again. dot: on what it was
     * made, with the red dot.
     * offset: of what was built, beside the prism that is read. foundFrom: found from readings before this one.
     */
    public function __construct(
        public string $key,
        public int $observationId,
        public Purpose $kind,
        public ?int $pointId = null,
        public ?int $controlId = null,
        public string $name = '',
        public string $code = '',
        public bool $evenOut = false,
        public bool $withoutCheck = false,
        public ?int $aimId = null,
        public ?int $aimVersion = null,
        public ?Judged $judged = null,
        public bool $leftSo = false,
        public ?DotMarked $dot = null,
        public string $note = '',
        public bool $evenMoved = false,
        public ?OffsetShot $offset = null,
        public ?FoundFrom $foundFrom = null,
    ) {}
}
