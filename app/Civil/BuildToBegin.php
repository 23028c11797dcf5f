<?php

declare(strict_types=1);

namespace App\Civil;

/** An as-built surface that is begun. */
final readonly class BuildToBegin
{
    /** againstId: the design it is held against; verticalOffset: metres above it, negative below. */
    public function __construct(public string $key, public string $name, public ?int $againstId = null, public float $verticalOffset = 0.0) {}
}
