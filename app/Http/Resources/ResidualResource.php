<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class ResidualResource
{
    /** checked: how well the others check it, 0 to 1. detectable: smallest error that would show, metres. moves: how far the station moves without it. */
    public function __construct(
        public string $name,
        public bool $used,
        public ?float $direction,
        public ?float $across,
        public ?float $distance,
        public ?float $height,
        public ?float $checked,
        public ?float $detectable,
        public ?float $normalised,
        public ?float $moves,
    ) {}
}
