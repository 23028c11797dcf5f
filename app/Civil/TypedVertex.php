<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Profiles\Vertex;
use Parlay\Core\Civil\Profiles\VerticalCurve;

/** A vertex of a profile as it is typed. */
final readonly class TypedVertex
{
    /**
     * @param  float  $along  metres from the start of the alignment
     * @param  float  $length  of a parabola, metres; with an unequal one the part before the vertex
     * @param  float|null  $out  the part after it, where it is unequal
     * @param  float|null  $radius  of a circle, metres
     */
    public function __construct(
        public float $along,
        public float $elevation,
        public float $length = 0.0,
        public ?float $out = null,
        public ?float $radius = null,
    ) {}

    public static function of(Vertex $v): self
    {
        return match ($v->curve) {
            VerticalCurve::None => new self($v->along, $v->elevation),
            VerticalCurve::Circle => new self($v->along, $v->elevation, radius: $v->radius),
            VerticalCurve::Parabola => $v->in === $v->out ? new self($v->along, $v->elevation, 2 * $v->in) : new self($v->along, $v->elevation, $v->in, $v->out),
        };
    }

    public function vertex(): Vertex
    {
        return match (true) {
            $this->radius !== null && $this->radius > 0.0 => Vertex::circle($this->along, $this->elevation, $this->radius),
            $this->out !== null => Vertex::unequalParabola($this->along, $this->elevation, $this->length, $this->out),
            default => Vertex::parabola($this->along, $this->elevation, $this->length),
        };
    }
}
