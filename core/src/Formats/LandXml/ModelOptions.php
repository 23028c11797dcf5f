<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\LengthUnit;

/** How a file is to be read. */
final readonly class ModelOptions
{
    /**
     * @param  LengthUnit|null  $unit  in place of the one it declares
     * @param  bool  $exchanged  its coordinates are written easting first
     * @param  (\Closure(int): void)|null  $progress  told the bytes read
     * @param  array<string, mixed>  $wanted  names of points, as keys, whose places are told
     * @param  LengthStyle  $style  in which remarks say lengths: that of whoever reads them
     */
    public function __construct(
        public ?LengthUnit $unit = null,
        public bool $exchanged = false,
        public ?\Closure $progress = null,
        public array $wanted = [],
        public LengthStyle $style = LengthStyle::Metres,
    ) {}
}
