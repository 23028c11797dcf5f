<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Points\Models\Code;
use Parlay\Core\Stakeout\Judged;

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
        public ?Judged $judged,
        public ?float $aboveTolerance,
    ) {}

    public static function of(Code $c): self
    {
        return new self(
            id: $c->id,
            code: $c->code,
            description: $c->description,
            colour: $c->colour,
            mark: $c->mark,
            trade: $c->trade,
            planTolerance: $c->plan_tolerance,
            heightTolerance: $c->height_tolerance,
            judged: Judged::tryFrom($c->judged),
            aboveTolerance: $c->above_tolerance,
        );
    }
}
