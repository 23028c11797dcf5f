<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\Bodies\RowPlaceBody;
use App\Http\ListOf;
use OpenApi\Attributes as OA;
use Parlay\Core\Doctor\Finding;
use Parlay\Core\Doctor\FindingKind;
use Parlay\Core\Units\LengthUnit;

/** What the doctor suspects, and what one touch would do about it. */
#[OA\Schema]
final readonly class FindingResource
{
    /**
     * @param  list<int>  $lines  rows concerned; empty where it is the whole list
     * @param  list<RowPlaceBody>  $places
     */
    public function __construct(
        public FindingKind $kind,
        public string $says,
        #[ListOf('int')]
        public array $lines,
        public bool $exchange,
        public ?LengthUnit $unit,
        public bool $noElevations,
        #[ListOf(RowPlaceBody::class)]
        public array $places,
    ) {}

    public static function of(Finding $f): self
    {
        $m = $f->mend;
        $places = array_map(static fn (array $p) => new RowPlaceBody($p['row'], $p['northing'], $p['easting']), $m->places ?? []);

        return new self($f->kind, $f->says, array_slice($f->rows, 0, 200), $m !== null && $m->exchange, $m?->unit, $m !== null && $m->noElevations, $places);
    }
}
