<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** Colour numbers of the published DXF reference as #rrggbb. */
final class Colours
{
    private const FIRST = [1 => '#ff0000', '#ffff00', '#00ff00', '#00ffff', '#0000ff', '#ff00ff', '#000000', '#808080', '#c0c0c0'];

    /**
     * @param  int  $index colour number; negative where the layer is off
     *  @param  int|null  $trueColour 24-bit value of group 420
     */
    public static function hex(int $index, ?int $trueColour = null): string
    {
        if ($trueColour !== null) {
            return sprintf('#%06x', $trueColour & 0xFFFFFF);
        }
        $index = abs($index);
        if (isset(self::FIRST[$index])) {
            return self::FIRST[$index];
        }
        if ($index >= 250 && $index <= 255) {
            return '#'.str_repeat(sprintf('%02x', 51 + ($index - 250) * 41 - ($index === 255 ? 1 : 0)), 3);
        }

        return $index >= 10 && $index < 250 ? self::wheel($index) : '#000000';
    }

    /** 10 to 249: 24 hues, each in five depths and two strengths. */
    private static function wheel(int $index): string
    {
        $hue = intdiv($index, 10) - 1;
        $value = [1.0, 0.65, 0.5, 0.3, 0.15][intdiv($index % 10, 2)];
        $strength = $index % 2 === 0 ? 1.0 : 0.5;
        $channel = static function (float $offset) use ($hue, $value, $strength): int {
            $k = fmod($offset + $hue / 4, 6);

            return (int) round(255 * $value * (1 - $strength * max(0.0, min($k, 4 - $k, 1.0))));
        };

        return sprintf('#%02x%02x%02x', $channel(5), $channel(3), $channel(1));
    }
}
