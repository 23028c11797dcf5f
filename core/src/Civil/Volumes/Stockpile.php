<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Volumes;

use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\Outline;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;

/** A heap stands on the ground that its outline spans, at the heights that the surface has under it. */
final class Stockpile
{
    /** @throws NoSurface where the outline leaves the surface */
    public static function base(Surface $surface, Outline $outline): Surface
    {
        $index = new SurfaceIndex($surface);
        $corners = [];
        foreach ($outline->corners as $corner) {
            $on = $index->at($corner->northing, $corner->easting) ?? throw NoSurface::outlineLeaves();
            $corners[] = $corner->at($on->elevation);
        }

        return SurfaceMaking::of($corners, outer: new Outline($corners))->surface;
    }
}
