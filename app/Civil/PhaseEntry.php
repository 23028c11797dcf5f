<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\Phase;

final readonly class PhaseEntry
{
    /** designId: the drawing that is worked with, surfaceId: the surface, verticalOffset metres above it. current: what is shown now is what belongs to it. */
    public function __construct(
        public int $id,
        public string $name,
        public ?int $designId,
        public ?int $surfaceId,
        public float $verticalOffset,
        public bool $current,
    ) {}

    /** @param  array<int, int>  $revised  as of WhatIsShown */
    public static function of(Phase $p, WhatIsShown $now, array $revised): self
    {
        $wanted = WhatIsShown::ofPhase($p, $revised);

        return new self(id: $p->id, name: $p->name, designId: $wanted->design, surfaceId: $wanted->surface, verticalOffset: $wanted->verticalOffset, current: $wanted->fits($now));
    }
}
