<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilSurface;
use App\Civil\Models\SurfaceBuild;
use Parlay\Core\ListOf;

/** An as-built surface as it has grown by now. */
final readonly class BuildEntry
{
    /** of a millimetre, to the metre */
    private const TENTHS = 10_000;

    /**
     * @param  string  $against  the design it is held against, in words; empty where there is none
     * @param  list<int>  $places  easting and northing in turn, tenths of a millimetre: whole numbers are written many times faster
     * @param  list<int|null>  $off  of each place, tenths of a millimetre above the design; null where there is none
     * @param  list<int>  $triangles  three places to each, from 0; none before the third shot
     * @param  int  $outside  shots where the design has no height
     */
    public function __construct(
        public int $id,
        public string $name,
        public ?int $againstId,
        public float $verticalOffset,
        public string $against,
        public int $shots,
        #[ListOf('int')]
        public array $places,
        #[ListOf('int')]
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
            $off[] = $above === null ? null : (int) round($above * self::TENTHS);
            $flat[] = (int) round($p->easting * self::TENTHS);
            $flat[] = (int) round($p->northing * self::TENTHS);
        }
        $design = $build->against_id === null ? null : CivilSurface::query()->find($build->against_id, ['id', 'name']);

        return new self(
            id: $build->id,
            name: $build->name,
            againstId: $build->against_id,
            verticalOffset: $build->raised,
            against: (string) $design?->name,
            shots: $build->shots(),
            places: $flat,
            off: $off,
            triangles: $build->triangles($places),
            outside: $design === null ? 0 : count(array_filter($off, static fn (?int $d) => $d === null)),
        );
    }
}
