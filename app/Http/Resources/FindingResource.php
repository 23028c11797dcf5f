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
    /** @param  list<int>  $lines  rows concerned; empty where it is the whole list */
    public function __construct(
        public FindingKind $kind,
        public string $says,
        #[ListOf('int')]
        public array $lines,
        public bool $exchange,
        public ?LengthUnit $unit,
        public bool $noElevations,
        public ?RowPlaceBody $place,
    ) {}

    public static function of(Finding $f): self
    {
        $m = $f->mend;
        $place = $m?->row === null || $m->northing === null || $m->easting === null ? null : new RowPlaceBody($m->row, $m->northing, $m->easting);

        return new self($f->kind, $f->says, array_slice($f->rows, 0, 200), $m !== null && $m->exchange, $m?->unit, $m !== null && $m->noElevations, $place);
    }
}
