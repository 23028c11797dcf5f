<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;
use Parlay\Core\Units\LengthStyle;

#[OA\Schema]
final readonly class LengthQuery
{
    public function __construct(
        public string $text,
        public LengthStyle $style,
    ) {}
}
