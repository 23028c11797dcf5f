<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Profiles;

/** A point of vertical intersection: where two grades would meet, and how they are rounded there. */
final readonly class Vertex
{
    /**
     * @param  float  $along  metres from the start of the alignment
     * @param  float  $elevation  metres
     * @param  float  $in  length of the curve before the vertex, metres in plan; of a circle both are found from its radius
     * @param  float  $out  and after it
     * @param  float|null  $radius  metres, of a circle
     */
    public function __construct(
        public float $along,
        public float $elevation,
        public VerticalCurve $curve = VerticalCurve::None,
        public float $in = 0.0,
        public float $out = 0.0,
        public ?float $radius = null,
    ) {}

    /** @param  float  $length  of the whole curve, half of it on either side, metres */
    public static function parabola(float $along, float $elevation, float $length): self
    {
        return $length > 0.0
            ? new self($along, $elevation, VerticalCurve::Parabola, $length / 2, $length / 2)
            : new self($along, $elevation);
    }

    public static function unequalParabola(float $along, float $elevation, float $in, float $out): self
    {
        return $in > 0.0 && $out > 0.0
            ? new self($along, $elevation, VerticalCurve::Parabola, $in, $out)
            : new self($along, $elevation);
    }

    public static function circle(float $along, float $elevation, float $radius): self
    {
        return new self($along, $elevation, $radius > 0.0 ? VerticalCurve::Circle : VerticalCurve::None, radius: $radius > 0.0 ? $radius : null);
    }
}
