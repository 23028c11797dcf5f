<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/**
 * An entity ready to be placed: its pieces, or the block it inserts.
 *
 * @phpstan-import-type Piece from Pieces
 */
final readonly class Drawn
{
    /**
     * @param  string  $layer  as in the file; 0 inside a block stands for the layer of the insertion
     * @param  list<Piece>  $pieces
     * @param  array<string, string>  $attributes  of its lines, by their field; an insertion has its own
     * @param  Transform|null  $plane  from the entity's own plane to that of its block or model space
     */
    public function __construct(
        public string $layer,
        public int $colour,
        public int $place,
        public array $pieces,
        public ?Transform $plane = null,
        public ?Insertion $insertion = null,
        public bool $annotation = false,
        public array $attributes = [],
    ) {}
}
