<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Surfaces\Outline;
use Parlay\Core\Civil\Surfaces\Surface;

/** What a volume lies between. */
final readonly class VolumeSides
{
    /**
     * @param  Surface  $first  what is there, within the outline
     * @param  Surface|float  $against  another surface, or an elevation in metres
     * @param  string  $of  what against what, in words
     */
    public function __construct(
        public Surface $first,
        public Surface|float $against,
        public string $of,
        public ?Outline $outline,
        public ?Alignment $alignment,
        public Surface $whole,
    ) {}
}
