<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Units\LengthUnit;

/** The units a LandXML declares, by the names of its schema. */
final class FileUnits
{
    private const LENGTHS = [
        'meter' => LengthUnit::Metre, 'centimeter' => LengthUnit::Centimetre, 'millimeter' => LengthUnit::Millimetre,
        'foot' => LengthUnit::Foot, 'ussurveyfoot' => LengthUnit::UsFoot, 'inch' => LengthUnit::Inch,
    ];

    /** Null where the name is none that is known. */
    public static function length(string $name): ?LengthUnit
    {
        return self::LENGTHS[strtolower($name)] ?? null;
    }

    /** An angle of the file in radians; null where it is no number. */
    public static function angle(string $text, string $unit): ?float
    {
        if (! is_numeric($text) || ! is_finite((float) $text)) {
            return null;
        }
        $value = (float) $text;

        return match (strtolower($unit)) {
            'radians' => $value,
            'grads' => $value * M_PI / 200,
            'decimal dd.mm.ss' => self::packedDegrees($value),
            default => deg2rad($value),
        };
    }

    /** 12.3045 is 12° 30′ 45″. */
    private static function packedDegrees(float $value): float
    {
        $size = round(abs($value) * 1e10) / 1e10;
        $degrees = floor($size + 1e-10);
        $minutes = floor(($size - $degrees) * 100 + 1e-8);
        $seconds = (($size - $degrees) * 100 - $minutes) * 100;

        return ($value < 0 ? -1 : 1) * deg2rad($degrees + $minutes / 60 + $seconds / 3600);
    }
}
