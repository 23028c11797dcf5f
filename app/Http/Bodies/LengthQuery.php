<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use Parlay\Core\Units\LengthStyle;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class LengthQuery
{
    public function __construct(
        public string $text,
        public LengthStyle $style,
    ) {}
}
