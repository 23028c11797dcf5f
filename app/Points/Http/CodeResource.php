<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Points\Models\Code;

final readonly class CodeResource
{
    public function __construct(
        public int $id,
        public string $code,
        public string $description,
        public ?string $colour,
        public string $mark,
        public string $trade,
        public ?float $planTolerance,
        public ?float $heightTolerance,
    ) {}

    public static function of(Code $c): self
    {
        return new self($c->id, $c->code, $c->description, $c->colour, $c->mark, $c->trade, $c->plan_tolerance, $c->height_tolerance);
    }
}
