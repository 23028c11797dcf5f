<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** How a project writes angles. 400 gon = 360 degrees (ISO 80000-3). */
enum AngleStyle: string
{
    case DegreesMinutesSeconds = 'dms';
    case DecimalDegrees = 'deg';
    case Gon = 'gon';

    /** From here on a difference is written as any angle: about a degree. */
    private const SMALL = M_PI / 180;

    /** What its circle is divided into. */
    public function unit(): AngleUnit
    {
        return $this === self::Gon ? AngleUnit::Gon : AngleUnit::Degree;
    }

    /**
     * @param  float  $radians  any finite angle; what rounds up to a whole turn is written as none
     * @param  int  $finer  decimal places more than usual
     */
    public function format(float $radians, int $finer = 0): string
    {
        return match ($this) {
            self::DegreesMinutesSeconds => self::dms($radians, $finer),
            self::DecimalDegrees => self::decimal(rad2deg($radians), 360.0, 4 + $finer).'°',
            self::Gon => self::decimal($radians * 200 / M_PI, 400.0, 4 + $finer).' gon',
        };
    }

    private static function decimal(float $value, float $turn, int $places): string
    {
        $rounded = round($value, $places);

        return number_format($rounded >= $turn ? $rounded - $turn : $rounded, $places, '.', '');
    }

    /** A small angle such as a residual: seconds, or milligon where the project works in gon. */
    public function formatSmall(float $radians): string
    {
        if (abs($radians) >= self::SMALL || ($this !== self::Gon && round(abs(rad2deg($radians)) * 3600) >= 3600)) {
            return $this->format($radians);
        }

        return $this === self::Gon
            ? number_format($radians * 200_000 / M_PI, 1, '.', '').' mgon'
            : number_format(rad2deg($radians) * 3600, 0, '.', '').'″';
    }

    /** Carries: 59.6″ never becomes 60″, and 359°59′59.7″ becomes 0°00′00″ for a circle. */
    private static function dms(float $radians, int $places): string
    {
        $parts = 10 ** $places;
        $ticks = (int) round(abs(rad2deg($radians)) * 3600 * $parts);
        if ($radians >= 0 && $ticks >= 1_296_000 * $parts) {
            $ticks -= 1_296_000 * $parts;
        }
        $seconds = intdiv($ticks, $parts);

        return sprintf(
            '%s%d°%02d′%02d%s″',
            $radians < 0 && $ticks > 0 ? '-' : '',
            intdiv($seconds, 3600),
            intdiv($seconds, 60) % 60,
            $seconds % 60,
            $places > 0 ? sprintf('.%0'.$places.'d', $ticks % $parts) : '',
        );
    }
}
