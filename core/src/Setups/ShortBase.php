<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** What an orientation hangs on where no resection gives it: as long as that is, so far out it is good. */
final readonly class ShortBase
{
    /**
     * @param  string|null  $name  of the line or the mark
     * @param  float  $metres  how long it is
     */
    private function __construct(
        public WeaknessKind $kind,
        public ?string $name,
        public float $metres,
    ) {}

    /** @param  float  $metres  between the outermost shots along it */
    public static function line(string $name, float $metres): self
    {
        return new self(WeaknessKind::ShortLine, $name, $metres);
    }

    /** @param  float  $metres  from the station to the mark */
    public static function backsight(string $name, float $metres): self
    {
        return new self(WeaknessKind::ShortBacksight, $name, $metres);
    }

    /** @param  float  $metres  to the mark that has the direction */
    public static function direction(float $metres): self
    {
        return new self(WeaknessKind::NearDirection, null, $metres);
    }

    /** @param  float  $metres  between its marks */
    public static function baseline(float $metres): self
    {
        return new self(WeaknessKind::ShortBaseline, null, $metres);
    }
}
