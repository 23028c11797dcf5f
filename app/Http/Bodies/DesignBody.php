<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Designs\DesignRole;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class DesignBody
{
    public function __construct(
        public string $name,
        public DesignRole $role,
        public bool $active,
        public ?DesignBody $seen = null,
    ) {}
}
