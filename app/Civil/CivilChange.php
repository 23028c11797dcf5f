<?php

declare(strict_types=1);

namespace App\Civil;

/** What is changed of an alignment or a surface; what is null stays. kind: of a surface. */
final readonly class CivilChange
{
    public function __construct(public ?string $name = null, public ?bool $visible = null, public ?SurfaceKind $kind = null) {}
}
