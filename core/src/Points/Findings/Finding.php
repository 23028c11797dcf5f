<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

/** What is suspected of a list of points, and the figure that gives it away. */
final readonly class Finding
{
    /**
     * @param  Evidence  $evidence  the figures; the words are made elsewhere
     * @param  list<int>  $rows  lines concerned; empty where it is the whole list
     * @param  Mend|null  $mend  null where only a person can tell what is right
     */
    public function __construct(
        public FindingKind $kind,
        public Evidence $evidence,
        public array $rows,
        public ?Mend $mend = null,
    ) {}
}
