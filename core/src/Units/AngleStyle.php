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

    /** @param  float  $radians any finite angle; whole turns are kept out of circle readings by the caller */
    public function format(float $radians): string
    {
        return match ($this) {
            self::DegreesMinutesSeconds => self::dms($radians),
            self::DecimalDegrees => number_format(rad2deg($radians), 4, '.', '').'°',
            self::Gon => number_format($radians * 200 / M_PI, 4, '.', '').' gon',
        };
    }

    /** A small angle such as a residual: seconds, or milligon where the project works in gon. */
    public function formatSmall(float $radians): string
    {
        if (abs($radians) >= self::SMALL) {
            return $this->format($radians);
        }

        return $this === self::Gon
            ? number_format($radians * 200_000 / M_PI, 1, '.', '').' mgon'
            : number_format(rad2deg($radians) * 3600, 0, '.', '').'″';
    }

    /** Carries: 59.6″ never becomes 60″, and 359°59′59.7″ becomes 0°00′00″ for a circle. */
    private static function dms(float $radians): string
    {
        $seconds = (int) round(abs(rad2deg($radians)) * 3600);
        if ($radians >= 0 && $seconds >= 1_296_000) {
            $seconds -= 1_296_000;
        }

        return sprintf(
            '%s%d°%02d′%02d″',
            $radians < 0 && $seconds > 0 ? '-' : '',
            intdiv($seconds, 3600),
            intdiv($seconds, 60) % 60,
            $seconds % 60,
        );
    }
}
