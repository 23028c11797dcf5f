<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

/** A place by its station and offset, as it stands in a list. */
final readonly class StationRow
{
    /**
     * @param  float  $station  in the list's unit
     * @param  float  $offset  in the list's unit, to the right of the axis
     * @param  string|null  $fault  why it can't be read
     */
    public function __construct(
        public int $line,
        public float $station = 0.0,
        public float $offset = 0.0,
        public string $name = '',
        public string $code = '',
        public ?string $fault = null,
    ) {}
}
