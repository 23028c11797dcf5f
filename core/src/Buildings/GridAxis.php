<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

final readonly class GridAxis
{
    /** @param  list<array{float, float, float}>  $places  its course in the model, metres */
    public function __construct(public string $grid, public string $name, public array $places) {}
}
