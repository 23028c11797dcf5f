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

    public static function of(Phase $p, WhatIsShown $now): self
    {
        return new self(id: $p->id, name: $p->name, designId: $p->design_id, surfaceId: $p->surface_id, verticalOffset: $p->vertical_offset, current: WhatIsShown::ofPhase($p)->fits($now));
    }
}
