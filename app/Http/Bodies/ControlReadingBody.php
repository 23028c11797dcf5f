<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class ControlReadingBody
{
    public function __construct(
        public string $name,
        public PositionBody $control,
        public ReadingBody $reading,
        public bool $used = true,
    ) {}
}
