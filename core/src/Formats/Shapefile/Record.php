<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Shapefile;

/** One shape with the row that belongs to it. */
final readonly class Record
{
    /**
     * @param  int  $number  from 1
     * @param  list<list<array{float, float, float}>>  $parts  east, north and height (NAN where it has none) of each place; file units
     * @param  bool  $line  its places are joined, or each stands for itself
     * @param  array<string, string>  $attributes  by field
     * @param  string|null  $fault  why it can't be taken
     */
    public function __construct(
        public int $number,
        public array $parts,
        public bool $line,
        public array $attributes,
        public ?string $fault = null,
    ) {}
}
