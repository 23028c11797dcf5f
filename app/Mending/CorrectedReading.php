<?php

declare(strict_types=1);

namespace App\Mending;

/** What a target really was; the reading itself stays as it is. */
final readonly class CorrectedReading
{
    /** alike: all readings with the same height and constant under the same setup, or of the same setup, are mended too. */
    public function __construct(
        public int $observationId,
        public float $targetHeight,
        public float $prismConstant,
        public string $note,
        public bool $alike = false,
    ) {}
}
