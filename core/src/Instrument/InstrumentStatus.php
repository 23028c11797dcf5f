<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** How the instrument is. Sent on connecting and whenever something of it changes, at least once a second. */
final readonly class InstrumentStatus extends InstrumentReport
{
    /**
     * @param  bool  $locked  follows a prism
     * @param  float  $tilt  of the vertical axis, radians
     * @param  float  $battery  0 to 1
     * @param  float|null  $ppm  correction that is set on the instrument; null where it doesn't say
     * @param  float|null  $prismConstant  set on the instrument, metres
     * @param  float|null  $pressure  of the air, hectopascal, where it has a barometer and tells it
     * @param  float  $circle  where the telescope points, radians on its own circle
     */
    public function __construct(
        public string $model,
        public string $serial,
        public Accuracy $accuracy,
        public bool $level,
        public bool $locked,
        public bool $tracking,
        public float $tilt,
        public float $battery,
        public float $circle,
        public float $zenith,
        public ?Refusal $trouble = null,
        public ?float $ppm = null,
        public ?float $prismConstant = null,
        public ?float $pressure = null,
    ) {}
}
