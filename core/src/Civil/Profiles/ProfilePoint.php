<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Profiles;

/** A named place of a profile. */
final readonly class ProfilePoint
{
    /** @param  float  $along  metres from the start of the alignment */
    public function __construct(public ProfilePointKind $kind, public float $along) {}
}
