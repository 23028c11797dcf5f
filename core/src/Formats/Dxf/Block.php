<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** A block definition: entities about a base point, in drawing units. */
final class Block
{
    /** @var list<Entity> */
    public array $entities = [];

    public function __construct(
        public readonly string $name,
        public readonly float $x,
        public readonly float $y,
        public readonly float $z,
    ) {}
}
