<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Instrument\Purpose;
use App\Setup\KeepIn;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class MeasureBody
{
    /** sighted: in words, where it is neither control nor a stakeout point. keepIn: as what it goes into the setup being made as well. */
    public function __construct(
        public string $key,
        public Purpose $purpose,
        public ?int $controlId = null,
        public ?int $pointId = null,
        public string $sighted = '',
        public ?KeepIn $keepIn = null,
    ) {}
}
