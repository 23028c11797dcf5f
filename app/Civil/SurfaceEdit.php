<?php

declare(strict_types=1);

namespace App\Civil;

/** A triangle that is taken out, or an edge that is swapped, where it was touched; or the last of these taken back. */
final readonly class SurfaceEdit
{
    /** seen: the version it was seen in */
    public function __construct(public int $seen, public SurfaceDeed $deed, public float $northing = 0.0, public float $easting = 0.0) {}
}
