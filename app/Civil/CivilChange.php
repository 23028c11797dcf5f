<?php

declare(strict_types=1);

namespace App\Civil;

/** What is changed of an alignment or a surface; what is null stays. kind, tolerance: of a surface; within how much its grade is judged, metres, 0 where cut and fill are only told. */
final readonly class CivilChange
{
    public function __construct(public ?string $name = null, public ?bool $visible = null, public ?SurfaceKind $kind = null, public ?float $tolerance = null) {}
}
