<?php

declare(strict_types=1);

namespace Parlay\Core\Fit;

use Parlay\Core\Geometry\Position;

/** A point of known place, by its name. */
final readonly class Mark
{
    /** @param  Position  $at  metres */
    public function __construct(
        public string $name,
        public Position $at,
    ) {}
}
