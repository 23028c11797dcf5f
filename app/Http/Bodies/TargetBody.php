<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Instrument\TargetKind;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class TargetBody
{
    /** Metres. */
    public function __construct(
        public string $name,
        public TargetKind $kind = TargetKind::Prism,
        public float $prismConstant = 0.0,
        public float $height = 2.0,
        public ?TargetBody $seen = null,
    ) {}
}
