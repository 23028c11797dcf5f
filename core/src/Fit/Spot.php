<?php

declare(strict_types=1);

namespace Parlay\Core\Fit;

/** A place in a drawing where a control point may be drawn, in drawing units: x to the right, y up. */
final readonly class Spot
{
    /** @param  string  $label  text that stands there or beside it, empty for none */
    public function __construct(
        public float $x,
        public float $y,
        public string $what,
        public string $label = '',
    ) {}
}
