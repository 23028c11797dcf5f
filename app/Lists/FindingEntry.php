<?php

declare(strict_types=1);

namespace App\Lists;

use Parlay\Core\ListOf;
use Parlay\Core\Points\Findings\Finding;
use Parlay\Core\Points\Findings\FindingKind;
use Parlay\Core\Units\LengthUnit;
use Parlay\Words\ListFindings;

/** What is suspected of a list, and what one touch would do about it. */
final readonly class FindingEntry
{
    /**
     * @param  list<int>  $lines  rows concerned; empty where it is the whole list
     * @param  list<RowPlace>  $places
     */
    public function __construct(
        public FindingKind $kind,
        public string $says,
        #[ListOf('int')]
        public array $lines,
        public bool $exchange,
        public ?LengthUnit $unit,
        public bool $noElevations,
        #[ListOf(RowPlace::class)]
        public array $places,
    ) {}

    public static function of(Finding $f, ListFindings $words): self
    {
        $m = $f->mend;
        $places = array_map(static fn (array $p) => new RowPlace($p['row'], $p['northing'], $p['easting']), $m->places ?? []);

        return new self(
            $f->kind, $words->sentence($f), array_slice($f->rows, 0, 200), $m !== null && $m->exchange, $m?->unit, $m !== null && $m->noElevations,
            $places,
        );
    }
}
