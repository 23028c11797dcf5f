<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilSurface;
use Parlay\Core\ListOf;

final readonly class SurfaceEntry
{
    /**
     * @param  list<float>  $extent  west, south, east, north, metres
     * @param  bool  $active  it is the one that is worked with
     * @param  bool  $made  it was made here, and can be edited
     * @param  list<string>  $remarks
     * @param  float|null  $tolerance  within which its grade is judged, metres; null where cut and fill are only told
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $description,
        public string $source,
        public SurfaceKind $kind,
        public bool $active,
        public bool $visible,
        public bool $made,
        public int $version,
        public int $triangles,
        public int $points,
        #[ListOf('float')]
        public array $extent,
        public float $lowest,
        public float $highest,
        #[ListOf('string')]
        public array $remarks,
        public ?float $tolerance,
    ) {}

    public static function of(CivilSurface $s, ?int $active): self
    {
        return new self(
            id: $s->id,
            name: $s->name,
            description: $s->description,
            source: $s->source,
            kind: $s->kind,
            active: $s->id === $active,
            visible: $s->visible,
            made: $s->given !== null,
            version: $s->version,
            triangles: $s->triangles,
            points: $s->points,
            extent: [$s->west, $s->south, $s->east, $s->north],
            lowest: $s->lowest,
            highest: $s->highest,
            remarks: $s->remarks,
            tolerance: $s->tolerance,
        );
    }
}
