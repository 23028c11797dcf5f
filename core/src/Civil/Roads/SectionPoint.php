<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

/** A corner of a cross-section. */
final readonly class SectionPoint
{
    /**
     * @param  float  $offset  metres from the axis, negative to the left
     * @param  float  $elevation  metres
     */
    public function __construct(public float $offset, public float $elevation, public string $code = '') {}
}
