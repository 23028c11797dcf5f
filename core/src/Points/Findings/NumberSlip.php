<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

/** One slip of the pen or the keyboard, and the number that was meant if it was made. */
final readonly class NumberSlip
{
    /**
     * @param  string  $digit  that is too many, was left out, is right, or comes first
     * @param  string  $other  that stands in its place, or comes second
     * @param  string  $meant  the number, as it would have been written
     */
    public function __construct(
        public SlipKind $kind,
        public string $digit,
        public string $other,
        public string $meant,
    ) {}
}
