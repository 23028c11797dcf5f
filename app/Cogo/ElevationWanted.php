<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\Cogo\ElevationRule;

/** Where the elevation of made points comes from; value: metres, or rise over run. */
final readonly class ElevationWanted
{
    public function __construct(
        public ElevationRule $rule = ElevationRule::AsMade,
        public float $value = 0.0,
        public ?GivenPlace $from = null,
        public ?GivenPlace $to = null,
    ) {}
}
