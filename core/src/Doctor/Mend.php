<?php

declare(strict_types=1);

namespace Parlay\Core\Doctor;

use Parlay\Core\Units\LengthUnit;

/** What one touch would do about a finding: exactly one of these. */
final readonly class Mend
{
    private function __construct(
        public bool $exchange = false,
        public ?LengthUnit $unit = null,
        public bool $noElevations = false,
        public ?int $row = null,
        public ?float $northing = null,
        public ?float $easting = null,
    ) {}

    /** The columns of northing and easting are read the other way round. */
    public static function exchangeColumns(): self
    {
        return new self(exchange: true);
    }

    public static function readIn(LengthUnit $unit): self
    {
        return new self(unit: $unit);
    }

    public static function dropElevations(): self
    {
        return new self(noElevations: true);
    }

    /** One row gets another place, metres. */
    public static function place(int $row, float $northing, float $easting): self
    {
        return new self(row: $row, northing: $northing, easting: $easting);
    }
}
