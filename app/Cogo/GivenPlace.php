<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Buildings\ElementPlace;
use App\Designs\TouchedSpot;

/** A place that something is computed from: a stakeout point, a control point, a spot of a drawing or of a thing of a model, or typed coordinates. */
final readonly class GivenPlace
{
    public function __construct(
        public ?int $pointId = null,
        public ?int $controlId = null,
        public ?TouchedSpot $spot = null,
        public ?float $northing = null,
        public ?float $easting = null,
        public ?float $elevation = null,
        public ?ElementPlace $element = null,
    ) {}
}
