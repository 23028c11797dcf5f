<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Units\LengthUnit;

final readonly class ReadOptions
{
    /**
     * @param  list<string>|null  $layers  names to take; null takes all
     * @param  bool  $annotations  dimensions and leaders as they are drawn, or left out
     * @param  Transform|null  $placement  from the drawing in metres to the site grid; null leaves it where it is
     * @param  bool  $mend  takes what can be read of a damaged file and lists each repair
     * @param  (\Closure(int): void)|null  $progress  told now and then how many bytes have been read; may throw to stop
     * @param  string|null  $keptAt  where what was worked out of a building model is kept, so that it is worked out once
     */
    public function __construct(
        public LengthUnit $unit = LengthUnit::Metre,
        public ?array $layers = null,
        public ?Heights $heights = null,
        public bool $annotations = false,
        public ?Transform $placement = null,
        public bool $mend = false,
        public ?\Closure $progress = null,
        public ?string $keptAt = null,
    ) {}
}
