<?php

declare(strict_types=1);

namespace App\Instrument;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Guidance;

final readonly class Live
{
    public function __construct(
        public int $seq,
        public int $revision,
        public int $prepared,
        public InstrumentState $instrument,
        public ?string $elsewhere,
        public ?Position $pole,
        public ?float $readingAge,
        public ?int $target,
        public ?Guidance $guidance,
    ) {}
}
