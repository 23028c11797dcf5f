<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class ProgressResource
{
    public function __construct(
        public int $control,
        public int $designs,
        public int $points,
        public int $staked,
        public int $checks,
        public int $asBuilt,
        public int $out,
    ) {}
}
