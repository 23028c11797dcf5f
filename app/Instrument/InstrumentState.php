<?php

declare(strict_types=1);

namespace App\Instrument;

final readonly class InstrumentState
{
    /** ppm, prismConstant: as they are set on the instrument, where it says so. pressure: of its barometer, hectopascal. */
    public function __construct(
        public string $link,
        public ?float $retryIn,
        public string $model,
        public string $serial,
        public bool $level,
        public bool $locked,
        public bool $tracking,
        public float $battery,
        public ?string $trouble,
        public ?float $azimuth,
        public ?float $ppm,
        public ?float $prismConstant,
        public ?float $pressure,
    ) {}
}
