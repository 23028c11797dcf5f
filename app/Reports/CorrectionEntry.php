<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\ListOf;

final readonly class CorrectionEntry
{
    /**
     * what: which readings, setup or mark. targetHeight, prismConstant: what a target was said to be instead, metres. marks: how many were worked anew by it; plan, height: the farthest that one
     * moved, metres, null where none did; turned: how many have another verdict. reports: numbers of those issued before that tell a mark of it.
     *
     * @param  list<int>  $reports
     */
    public function __construct(
        public string $at,
        public CorrectionKind $kind,
        public string $what,
        public string $note,
        public string $by = '',
        public ?float $targetHeight = null,
        public ?float $prismConstant = null,
        public int $marks = 0,
        public ?float $plan = null,
        public ?float $height = null,
        public int $turned = 0,
        #[ListOf('int')]
        public array $reports = [],
    ) {}
}
