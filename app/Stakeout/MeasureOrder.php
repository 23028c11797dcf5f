<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Instrument\Purpose;
use App\Setups\KeepIn;

final readonly class MeasureOrder
{
    /**
     * sighted: in words, where it is neither control nor a stakeout point. keepIn: as what it goes into the setup being made as well. mark:
     * stored as a mark as well. aimId, aimVersion: the target that was chosen in the field, as it was seen.
     */
    public function __construct(
        public string $key,
        public Purpose $purpose,
        public ?int $controlId = null,
        public ?int $pointId = null,
        public string $sighted = '',
        public ?KeepIn $keepIn = null,
        public ?MarkWanted $mark = null,
        public ?int $aimId = null,
        public ?int $aimVersion = null,
    ) {}
}
