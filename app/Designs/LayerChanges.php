<?php

declare(strict_types=1);

namespace App\Designs;

/** What changed from one revision of a drawing to the next, in one layer or in all. */
final readonly class LayerChanges
{
    /** @param  float  $farthest  longest way that something moved, metres */
    public function __construct(
        public string $layer,
        public int $added,
        public int $gone,
        public int $moved,
        public float $farthest,
    ) {}
}
