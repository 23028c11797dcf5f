<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Units\LengthUnit;

final readonly class ReadOptions
{
    /** @param  list<string>|null  $layers names to take; null takes all */
    public function __construct(
        public LengthUnit $unit = LengthUnit::Metre,
        public ?array $layers = null,
        public ?Heights $heights = null,
    ) {}
}
