<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use Parlay\Core\Setup\ObservedKind;

/** One observation in the adjustment; radians for angles, metres for lengths. */
#[OA\Schema]
final readonly class ObservedResource
{
    public function __construct(
        public ObservedKind $kind,
        public float $residual,
        public float $deviation,
        public float $redundancy,
        public ?float $normalised,
        public ?float $detectable,
    ) {}
}
