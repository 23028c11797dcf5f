<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Models\SurfaceRead;
use Parlay\Core\Civil\Surfaces\Breakline;
use Parlay\Core\ListOf;

final readonly class InspectedSurface
{
    /**
     * @param  list<float>  $extent  west, south, east, north, metres
     * @param  int  $lines  breaklines, boundaries and contours it was made from
     * @param  list<string>  $remarks
     */
    public function __construct(
        public string $name,
        public int $triangles,
        public int $points,
        #[ListOf('float')]
        public array $extent,
        public float $lowest,
        public float $highest,
        public int $lines,
        #[ListOf('string')]
        public array $remarks,
    ) {}

    public static function of(SurfaceRead $s): self
    {
        return new self(
            name: $s->name,
            triangles: $s->surface->count(),
            points: count($s->surface->northings),
            extent: $s->surface->extent() ?? [],
            lowest: $s->surface->elevations === [] ? 0.0 : min($s->surface->elevations),
            highest: $s->surface->elevations === [] ? 0.0 : max($s->surface->elevations),
            lines: count(array_filter($s->lines, static fn (Breakline $l) => count($l->places) > 1)),
            remarks: SurfaceRemarks::of($s),
        );
    }
}
