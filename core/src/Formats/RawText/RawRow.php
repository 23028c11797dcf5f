<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\RawText;

use Parlay\Core\Instrument\RawReading;

/** One line of a file of raw observations. */
final readonly class RawRow
{
    /** @param  float|null  $targetHeight  metres; null where the file has none */
    public function __construct(
        public int $line,
        public string $name,
        public RawReading $reading,
        public ?float $targetHeight,
    ) {}
}
