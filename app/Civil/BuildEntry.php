<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilSurface;
use App\Civil\Models\SurfaceBuild;
use Parlay\Core\Civil\Surfaces\Delaunay;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;

/** An as-built surface as it has grown by now. */
final readonly class BuildEntry
{
    /**
     * @param  string  $against  the design it is held against, in words; empty where there is none
     * @param  list<float>  $places  easting, northing, elevation in turn
     * @param  list<float|null>  $off  of each place, metres above the design; null where there is none
     * @param  list<int>  $triangles  three places to each, from 0; none before the third shot
     * @param  int  $outside  shots where the design has no height
     */
    public function __construct(
        public int $id,
        public string $name,
        public ?int $againstId,
        public float $raised,
        public string $against,
        public int $shots,
        #[ListOf('float')]
        public array $places,
        #[ListOf('float')]
        public array $off,
        #[ListOf('int')]
        public array $triangles,
        public int $outside,
    ) {}

    public static function of(SurfaceBuild $build): self
    {
        $places = $flat = $off = [];
        foreach ($build->shotsMade() as [$p, $above]) {
            $places[] = $p;
            $off[] = $above;
            // To be drawn: half a millimetre is no pixel.
            array_push($flat, round($p->easting, 3), round($p->northing, 3), round((float) $p->elevation, 4));
        }
        $design = $build->against_id === null ? null : CivilSurface::query()->find($build->against_id, ['id', 'name']);

        return new self(
            id: $build->id,
            name: $build->name,
            againstId: $build->against_id,
            raised: $build->raised,
            against: (string) $design?->name,
            shots: $build->shots(),
            places: $flat,
            off: $off,
            triangles: self::triangles($places),
            outside: $design === null ? 0 : count(array_filter($off, static fn (?float $d) => $d === null)),
        );
    }

    /**
     * @param  list<Position>  $places
     * @return list<int>
     */
    private static function triangles(array $places): array
    {
        try {
            return array_values(Delaunay::of(
                array_map(static fn (Position $p) => $p->northing, $places), array_map(static fn (Position $p) => $p->easting, $places),
            )->corner);
        } catch (NoSurface) {
            // Fewer than three, or all in one line: said by the count.
            return [];
        }
    }
}
