<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** A setup that is weak for the work it is meant for: why, what it does, and what would mend it. The words are made elsewhere. */
final readonly class Weakness
{
    /**
     * @param  list<string>  $names  as the kind says
     * @param  float|null  $metres  as the kind says
     * @param  float|null  $toward  grid azimuth, radians
     * @param  float  $far  metres to the far end of the work, or of the control where no work is listed
     * @param  bool  $ofWork  whether that is the work
     * @param  float  $reach  that a point there may be wrong by, 95 %; metres
     * @param  string|null  $mark  a sight to it would mend it best
     * @param  float|null  $markToward  where that lies, or where a mark would be wanted; grid azimuth
     * @param  float|null  $mended  what the reach would come down to; or how long a short base would have to be; metres
     */
    public function __construct(
        public WeaknessKind $kind,
        public array $names,
        public ?float $metres,
        public ?float $toward,
        public float $far,
        public bool $ofWork,
        public float $reach,
        public ?string $mark = null,
        public ?float $markToward = null,
        public ?float $mended = null,
    ) {}
}
