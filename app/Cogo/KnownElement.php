<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\Cogo\CurveElement;

/** An element of a curve in metres, or its angle in radians. */
final readonly class KnownElement
{
    public function __construct(
        public CurveElement $element,
        public float $value,
    ) {}
}
