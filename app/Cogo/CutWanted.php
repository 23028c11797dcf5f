<?php

declare(strict_types=1);

namespace App\Cogo;

/** A level cut through a model, to be a drawing. */
final readonly class CutWanted
{
    /** elevation: of the site, metres. storey, class: only those; null for all. */
    public function __construct(
        public float $elevation,
        public ?string $storey = null,
        public ?string $class = null,
    ) {}
}
