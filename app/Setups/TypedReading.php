<?php

declare(strict_types=1);

namespace App\Setups;

/** A reading that was read off the instrument by eye, or came in a file. */
final readonly class TypedReading
{
    /**
     * slope: as shown; 0 where only angles were read. ppmApplied, prismConstantApplied: set on the instrument. angleFactor: how much
     * less certain than one mean of two faces. line: shot at, where it is no control.
     */
    public function __construct(
        public float $circle,
        public float $zenith,
        public float $slope = 0.0,
        public ?int $controlId = null,
        public string $line = '',
        public ?float $targetHeight = null,
        public float $ppmApplied = 0.0,
        public float $prismConstantApplied = 0.0,
        public float $angleFactor = 1.0,
    ) {}
}
