<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Models;

use Parlay\Core\Civil\Surfaces\Breakline;
use Parlay\Core\Civil\Surfaces\Surface;

/** A surface as it stands in a file, with what it was made from. */
final readonly class SurfaceRead
{
    /**
     * @param  list<Breakline>  $lines  breaklines, boundaries and contours of its source, by their kind in the name
     * @param  list<string>  $remarks  what was strange, each with its line
     */
    public function __construct(
        public string $name,
        public string $description,
        public Surface $surface,
        public array $lines,
        public array $remarks,
    ) {}
}
