<?php

declare(strict_types=1);

namespace App\Designs;

use Parlay\Core\Designs\SpotKind;

final readonly class TouchedSpot
{
    /** near: where was pointed; it chooses among several crossings. prolonged: where both would meet if they went on. */
    public function __construct(
        public int $layerId,
        public int $shape,
        public SpotKind $kind,
        public ?int $withLayerId = null,
        public ?int $withShape = null,
        public ?float $nearNorthing = null,
        public ?float $nearEasting = null,
        public bool $prolonged = false,
    ) {}
}
