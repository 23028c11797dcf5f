<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** How a project writes lengths. */
enum LengthStyle: string
{
    case Metres = 'm';
    case Millimetres = 'mm';
    case Feet = 'ft';
    case UsFeet = 'usft';
    case FeetInches8 = 'ftin8';
    case FeetInches16 = 'ftin16';
    case FeetInches32 = 'ftin32';

    /** A metric difference from here on is written as any length. */
    private const SMALL = 1.0;

    /** Places more than usual that tell any figure that is out from its tolerance. */
    private const FINEST = 6;

    /** Areas and volumes go with it: square and cubic metres, or square feet and cubic yards. */
    public function isMetric(): bool
    {
        return $this === self::Metres || $this === self::Millimetres;
    }

    /** The unit a bare number means in this style; feet-inches take a bare number as feet. */
    public function unit(): LengthUnit
    {
        return match ($this) {
            self::Metres => LengthUnit::Metre,
            self::Millimetres => LengthUnit::Millimetre,
            self::UsFeet => LengthUnit::UsFoot,
            default => LengthUnit::Foot,
        };
    }

    /** Parts of an inch shown by a feet-inches style, null for decimal styles. */
    public function inchParts(): ?int
    {
        return match ($this) {
            self::FeetInches8 => 8,
            self::FeetInches16 => 16,
            self::FeetInches32 => 32,
            default => null,
        };
    }

    /** @param  float  $metres any finite length */
    public function format(float $metres): string
    {
        $parts = $this->inchParts();
        if ($parts !== null) {
            return self::feetInches($metres, $parts);
        }

        return match ($this) {
            self::Millimetres => self::decimal($metres / 0.001, 0).' mm',
            self::Feet => self::decimal($metres / 0.3048, 3).' ft',
            self::UsFeet => self::decimal($metres / LengthUnit::UsFoot->metres(), 3).' ft US',
            default => self::decimal($metres, 3).' m',
        };
    }

    /** As it is worked on with by hand: a tenth of a millimetre, or of the decimal foot as much; feet and inches are written so, too. */
    public function formatFine(float $metres): string
    {
        return match ($this) {
            self::Metres => self::decimal($metres, 4).' m',
            self::Millimetres => self::decimal($metres / 0.001, 1).' mm',
            self::UsFeet => self::decimal($metres / LengthUnit::UsFoot->metres(), 4).' ft US',
            default => self::decimal($metres / LengthUnit::Foot->metres(), 4).' ft',
        };
    }

    /**
     * A difference: a small one is one step finer in metric and in inches alone in feet-inches. What rounds up to a foot or a metre is
     * written as one.
     *
     * @param  int  $finer  decimal places more than usual, or halvings of the fraction
     */
    public function formatDeviation(float $metres, int $finer = 0): string
    {
        $parts = $this->inchParts();
        if ($parts !== null) {
            $parts <<= $finer;

            return round(abs($metres) / 0.0254 * $parts) < 12 * $parts ? self::inches($metres, $parts) : self::feetInches($metres, $parts);
        }

        return match ($this) {
            self::Feet => self::decimal($metres / 0.3048, 3 + $finer).' ft',
            self::UsFeet => self::decimal($metres / LengthUnit::UsFoot->metres(), 3 + $finer).' ft US',
            default => round(abs($metres) * 1000, 1 + $finer) < self::SMALL * 1000
                ? self::decimal($metres * 1000, 1 + $finer).' mm'
                : $this->format($metres),
        };
    }

    /**
     * A difference beside what is allowed of it: one that is beyond, and would be written like what is allowed, is written finer until
     * it shows.
     *
     * @param  float  $tolerance  metres
     * @param  bool  $out  what was said of it
     */
    public function formatJudged(float $metres, float $tolerance, bool $out): string
    {
        $finer = 0;
        while ($out
            && abs($metres) > $tolerance
            && $finer < self::FINEST
            && $this->formatDeviation(abs($metres), $finer) === $this->formatDeviation($tolerance, $finer)) {
            $finer++;
        }

        return $this->formatDeviation($metres, $finer);
    }

    /** Rounds before it looks at the sign, so that -0.0001 is written 0.000. */
    private static function decimal(float $value, int $places): string
    {
        $text = number_format($value, $places, '.', '');

        return (float) $text === 0.0 ? ltrim($text, '-') : $text;
    }

    private static function feetInches(float $metres, int $parts): string
    {
        $ticks = (int) round(abs($metres) / 0.0254 * $parts);
        $sign = $metres < 0 && $ticks > 0 ? '-' : '';
        $feet = intdiv($ticks, 12 * $parts);

        return sprintf("%s%d' %s", $sign, $feet, self::inchTicks($ticks - $feet * 12 * $parts, $parts));
    }

    private static function inches(float $metres, int $parts): string
    {
        $ticks = (int) round(abs($metres) / 0.0254 * $parts);

        return ($metres < 0 && $ticks > 0 ? '-' : '').self::inchTicks($ticks, $parts);
    }

    private static function inchTicks(int $ticks, int $parts): string
    {
        $whole = intdiv($ticks, $parts);
        $rest = $ticks % $parts;
        if ($rest === 0) {
            return $whole.'"';
        }
        while ($rest % 2 === 0) {
            $rest = intdiv($rest, 2);
            $parts = intdiv($parts, 2);
        }

        return ($whole > 0 ? $whole.' ' : '').$rest.'/'.$parts.'"';
    }
}
