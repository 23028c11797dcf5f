<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** A piece of a cylinder, from one end of its axis to the other. */
final readonly class RoundFace
{
    /**
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     * @param  float  $radius  metres
     * @param  bool  $hollow  it is looked at from within, as in a hole
     */
    public function __construct(public array $from, public array $to, public float $radius, public bool $hollow) {}

    /** Its part between two shares of the way from one end of its axis to the other. */
    public function between(float $low, float $high): self
    {
        [$p, $q] = [$this->from, $this->to];
        $at = static fn (float $t): array => [$p[0] + $t * ($q[0] - $p[0]), $p[1] + $t * ($q[1] - $p[1]), $p[2] + $t * ($q[2] - $p[2])];

        return new self($at($low), $at($high), $this->radius, $this->hollow);
    }
}
