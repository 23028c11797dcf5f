<?php

declare(strict_types=1);

namespace App\Instrument;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Guidance;

final readonly class Live
{
    /**
     * elsewhere: the project that the instrument has been set up for since. another: the serial number of the one that is linked, where
     * this project was set up with another.
     */
    public function __construct(
        public int $seq,
        public int $revision,
        public int $prepared,
        public InstrumentState $instrument,
        public ?string $elsewhere,
        public ?string $another,
        public ?Position $pole,
        public ?float $readingAge,
        public ?int $target,
        public ?Guidance $guidance,
    ) {}
}
