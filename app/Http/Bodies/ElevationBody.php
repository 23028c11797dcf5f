<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;
use Parlay\Core\Cogo\ElevationRule;

/** Where the elevation of made points comes from; value: metres, or rise over run. */
#[OA\Schema]
final readonly class ElevationBody
{
    public function __construct(
        public ElevationRule $rule = ElevationRule::AsMade,
        public float $value = 0.0,
        public ?GivenPlace $from = null,
        public ?GivenPlace $to = null,
    ) {}
}
