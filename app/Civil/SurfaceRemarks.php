<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Models\SurfaceRead;
use Parlay\Core\Civil\Surfaces\SurfaceFaults;

/** What is to be said of a surface that was read: the same before it is taken and for as long as it is here. */
final class SurfaceRemarks
{
    /** @return list<string> */
    public static function of(SurfaceRead $s): array
    {
        if ($s->surface->count() > SurfaceFaults::MOST) {
            return [...$s->remarks, 'So large a surface was not searched for faces that overlap.'];
        }
        $faults = SurfaceFaults::of($s->surface);

        return [...$s->remarks, ...array_filter([
            $faults->overlapping === 0 ? '' : ($faults->overlapping === 1 ? 'One edge has' : "{$faults->overlapping} edges have").' two faces on one side: there the surface has two heights, and either may be given. Ask for it again without overlaps.',
            $faults->twoHeights === 0 ? '' : ($faults->twoHeights === 1 ? 'One point stands' : "{$faults->twoHeights} points stand").' at the place of another one with another height.',
        ])];
    }
}
