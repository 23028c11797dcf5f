<?php

declare(strict_types=1);

namespace App\Civil;

final readonly class PhaseToKeep
{
    /** again: one of that name is there and becomes what is shown now. */
    public function __construct(public string $name, public bool $again = false) {}
}
