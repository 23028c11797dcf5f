<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** A unit in which a file or a field gives lengths. Feet: NIST SP 811. */
enum LengthUnit: string
{
    case Metre = 'm';
    case Centimetre = 'cm';
    case Millimetre = 'mm';
    case Foot = 'ft';
    case UsFoot = 'usft';
    case Inch = 'in';

    /** Metres in one of this unit. */
    public function metres(): float
    {
        return match ($this) {
            self::Metre => 1.0,
            self::Centimetre => 0.01,
            self::Millimetre => 0.001,
            self::Foot => 0.3048,
            self::UsFoot => 1200 / 3937,
            self::Inch => 0.0254,
        };
    }

    /** The one of so many metres; null where it is none of these. The two feet differ by two millionths. */
    public static function ofMetres(float $metres): ?self
    {
        foreach (self::cases() as $unit) {
            if (abs($unit->metres() - $metres) < 1e-7 * $unit->metres()) {
                return $unit;
            }
        }

        return null;
    }

    /** The unit's name as a sentence carries it. */
    public function label(): string
    {
        return match ($this) {
            self::Metre => 'metres',
            self::Centimetre => 'centimetres',
            self::Millimetre => 'millimetres',
            self::Foot => 'international feet',
            self::UsFoot => 'US survey feet',
            self::Inch => 'inches',
        };
    }
}
