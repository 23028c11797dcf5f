<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

final readonly class Findings
{
    /**
     * @param  list<Finding>  $findings
     * @param  list<Untestable>  $untestable  what this list and project can't tell
     * @param  int  $more  findings beyond those listed
     */
    public function __construct(
        public array $findings,
        public array $untestable,
        public int $more,
    ) {}
}
