<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Designs\ShapeRef;

/**
 * A grid azimuth: typed, from one place to another, along a line or as a block or text of a drawing is turned; and an angle added to
 * it, clockwise, radians.
 */
final readonly class GivenDirection
{
    public function __construct(
        public ?float $azimuth = null,
        public ?GivenPlace $from = null,
        public ?GivenPlace $to = null,
        public float $plus = 0.0,
        public ?ShapeRef $shape = null,
    ) {}
}
