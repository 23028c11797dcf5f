<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

/** Another place of an alignment that one stands square to: of the legs of a bend there may be two. */
final readonly class OtherFoot
{
    /** @param  float  $offset  metres right of the axis, negative left */
    public function __construct(public float $station, public int $region, public float $offset) {}
}
