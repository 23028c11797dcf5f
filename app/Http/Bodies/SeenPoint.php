<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

/** A point as it was when its change was begun; where it is otherwise now, the change is refused. */
#[OA\Schema]
final readonly class SeenPoint
{
    public function __construct(
        public string $name,
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public string $code,
        public string $description,
    ) {}
}
