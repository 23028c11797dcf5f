<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

final readonly class Storey
{
    /** @param  float|null  $elevation  as the file says it, above the model's own height 0, metres */
    public function __construct(public int $number, public string $name, public ?float $elevation) {}
}
