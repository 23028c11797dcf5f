<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Designs\ShapeRef;

/** A straight line without ends: one of a drawing, a grid line, through two places, or from a place in a direction. */
final readonly class GivenLine
{
    /** offset: metres to the right of it, as seen along it; or toward another grid line, where that is named. */
    public function __construct(
        public ?ShapeRef $shape = null,
        public ?int $gridLineId = null,
        public ?GivenPlace $from = null,
        public ?GivenPlace $to = null,
        public ?GivenDirection $direction = null,
        public float $offset = 0.0,
        public ?int $towardId = null,
    ) {}
}
