<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Points\PositionEntry;
use App\Stakeout\GuidanceEntry;

final readonly class Live
{
    public function __construct(
        public int $seq,
        public int $revision,
        public InstrumentState $instrument,
        public ?string $elsewhere,
        public ?PositionEntry $pole,
        public ?float $readingAge,
        public ?GuidanceEntry $guidance,
    ) {}
}
