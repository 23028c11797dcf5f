<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

use Parlay\Core\Points\PointRow;
use Parlay\Core\Units\LengthUnit;

/** What one touch would do about a finding: exactly one of these. */
final readonly class Mend
{
    /** @param  list<array{row: int, northing: float, easting: float}>  $places  metres */
    private function __construct(
        public bool $exchange = false,
        public ?LengthUnit $unit = null,
        public bool $noElevations = false,
        public array $places = [],
    ) {}

    /** The columns of northing and easting are read the other way round. */
    public static function exchangeColumns(): self
    {
        return new self(exchange: true);
    }

    /** Reads the list in another unit. */
    public static function readIn(LengthUnit $unit): self
    {
        return new self(unit: $unit);
    }

    /** Takes the list without its elevations. */
    public static function dropElevations(): self
    {
        return new self(noElevations: true);
    }

    /** One row gets another place, metres. */
    public static function place(int $row, float $northing, float $easting): self
    {
        return new self(places: [['row' => $row, 'northing' => $northing, 'easting' => $easting]]);
    }

    /** Two rows get each other's place. */
    public static function exchangePlaces(PointRow $a, PointRow $b): self
    {
        return new self(places: [
            ['row' => $a->line, 'northing' => $b->position->northing, 'easting' => $b->position->easting],
            ['row' => $b->line, 'northing' => $a->position->northing, 'easting' => $a->position->easting],
        ]);
    }
}
