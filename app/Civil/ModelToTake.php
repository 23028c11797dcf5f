<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\ListOf;
use Parlay\Core\Units\LengthUnit;

final readonly class ModelToTake
{
    /**
     * @param  bool  $exchanged  its coordinates are written easting first
     * @param  list<int>  $alignments  numbers in the order of the inspection, from 0
     * @param  list<int>  $surfaces
     * @param  bool  $lines  plan features, and what surfaces were made from, as lines that can be touched
     */
    public function __construct(
        public string $upload,
        public string $name,
        public LengthUnit $unit,
        public bool $exchanged,
        #[ListOf('int')]
        public array $alignments,
        #[ListOf('int')]
        public array $surfaces,
        public bool $lines,
    ) {}
}
