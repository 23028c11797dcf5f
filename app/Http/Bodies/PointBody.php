<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class PointBody
{
    /** @param  list<AttributeBody>|null  $attributes  null: as they are */
    public function __construct(
        public string $name,
        public float $northing,
        public float $easting,
        public ?float $elevation = null,
        public string $code = '',
        public string $description = '',
        #[ListOf(AttributeBody::class)]
        public ?array $attributes = null,
        public ?SeenPoint $seen = null,
    ) {}
}
