<?php

declare(strict_types=1);

namespace Parlay\Core\Fit;

/** A control point and the spot of the drawing that falls on it. */
final readonly class ControlMatch
{
    /** @param  float  $residual  metres, spot to control in plan */
    public function __construct(
        public Mark $mark,
        public Spot $spot,
        public float $residual,
        public float $dNorthing,
        public float $dEasting,
        public bool $named,
    ) {}
}
