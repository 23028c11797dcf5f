<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class SiteLineBody
{
    public function __construct(
        public GivenLine $line,
    ) {}
}
