<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** Colours of entities and layers as the published DXF reference numbers them. */
final class Colours
{
    /** Taken from the layer, or from the block insertion an entity is drawn by. */
    public const BY_LAYER = -1;

    public const BY_BLOCK = -2;

    private const FIRST = [1 => 0xFF0000, 0xFFFF00, 0x00FF00, 0x00FFFF, 0x0000FF, 0xFF00FF, 0x000000, 0x808080, 0xC0C0C0];

    /** @return int 24-bit value, or BY_LAYER or BY_BLOCK */
    public static function of(Record $r): int
    {
        if (isset($r->first[420])) {
            return (int) $r->first[420] & 0xFFFFFF;
        }
        $index = isset($r->first[62]) ? (int) $r->first[62] : 256;

        return match ($index) {
            0 => self::BY_BLOCK,
            256 => self::BY_LAYER,
            default => self::rgb($index),
        };
    }

    /** As CSS writes it: # and six digits. */
    public static function hex(int $rgb): string
    {
        return sprintf('#%06x', $rgb & 0xFFFFFF);
    }

    /** @param  int  $index  colour number; negative where the layer is off. What no colour has is drawn in ink. */
    public static function rgb(int $index): int
    {
        $index = abs($index);
        if (isset(self::FIRST[$index])) {
            return self::FIRST[$index];
        }
        if ($index >= 250 && $index <= 255) {
            return (51 + ($index - 250) * 41 - ($index === 255 ? 1 : 0)) * 0x010101;
        }

        return $index >= 10 && $index < 250 ? self::wheel($index) : 0x000000;
    }

    /** 10 to 249: 24 hues, each in five depths and two strengths. */
    private static function wheel(int $index): int
    {
        $hue = intdiv($index, 10) - 1;
        $value = [1.0, 0.65, 0.5, 0.3, 0.15][intdiv($index % 10, 2)];
        $strength = $index % 2 === 0 ? 1.0 : 0.5;
        $channel = static function (float $offset) use ($hue, $value, $strength): int {
            $k = fmod($offset + $hue / 4, 6);

            return (int) round(255 * $value * (1 - $strength * max(0.0, min($k, 4 - $k, 1.0))));
        };

        return $channel(5) << 16 | $channel(3) << 8 | $channel(1);
    }
}
