<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

final readonly class Storey
{
    /**
     * @param  float|null  $elevation  as the file says it, above the model's own height 0, metres
     * @param  float|null  $stands  where it is placed, and what stands in it; null where that can't be read
     */
    public function __construct(public int $number, public string $name, public ?float $elevation, public ?float $stands = null) {}
}
