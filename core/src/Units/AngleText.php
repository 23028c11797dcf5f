<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

use Parlay\Core\Geometry\Angle;

/**
 * Reads angles and directions as people type them: 45.5 · 45,5 · 45 30 15 · 45°30′15″ · 45-30-15 · 50.5 gon · N45-30-15E · S 10 W · E ·
 * and sums of them: 45 30 + 90. A bare number is in the project's angle unit; degrees, minutes and seconds are always just that.
 */
final class AngleText
{
    private const MARKS = ['°' => ' ', 'º' => ' ', '′' => ' ', '’' => ' ', "'" => ' ', '″' => ' ', '”' => ' ', '"' => ' ', '−' => '-'];

    private const CARDINALS = ['N' => 0.0, 'E' => M_PI_2, 'S' => M_PI, 'W' => 3 * M_PI_2];

    private const TERM = '(?:\d+(?:\.\d+)?|\.\d+)(?:[ -]\d+(?:\.\d+)?){0,2}(?: ?(?:gon|g|deg|d))?';

    /**
     * @return float radians, signed, not wrapped
     * @throws UnreadableText
     */
    public static function angle(string $text, AngleStyle $style): float
    {
        return self::sum(self::plain($text), $style) ?? throw UnreadableText::asAngle($text);
    }

    /**
     * @return float grid azimuth, [0, 2π)
     * @throws UnreadableText
     */
    public static function direction(string $text, AngleStyle $style): float
    {
        $plain = mb_strtoupper(self::plain($text));
        if (preg_match('~^([NESW])(?![A-Z\d ]*[EW]\b)\s*(.*)$~', $plain, $m) && ($m[2] === '' || $m[2][0] === '+' || $m[2][0] === '-')) {
            return Angle::wrap(self::CARDINALS[$m[1]] + self::turned($m[2], $style, $text));
        }
        if (preg_match('~^([NS])\s*-?(.+?)\s*-?(?<![A-Z])([EW])(?![A-Z])\s*(.*)$~', $plain, $m)) {
            $off = self::sum(mb_strtolower(trim($m[2])), $style);
            if ($off === null || $off < 0.0 || $off > M_PI_2 + 1e-12) {
                throw UnreadableText::asBearing($text);
            }
            $azimuth = $m[1] === 'N' ? ($m[3] === 'E' ? $off : -$off) : ($m[3] === 'E' ? M_PI - $off : M_PI + $off);

            return Angle::wrap($azimuth + self::turned($m[4], $style, $text));
        }

        return Angle::wrap(self::sum(mb_strtolower($plain), $style) ?? throw UnreadableText::asDirection($text));
    }

    private static function turned(string $rest, AngleStyle $style, string $text): float
    {
        return $rest === '' ? 0.0 : (self::sum(mb_strtolower(trim($rest)), $style) ?? throw UnreadableText::asDirection($text));
    }

    private static function plain(string $text): string
    {
        $plain = preg_replace('~(?<=\d)\s*(?:degrees?|deg|d|minutes?|min|seconds?|sec)\.?(?=\s*[-+]?\s*(?:\d|[EW]\b|$))~ui', ' ', strtr($text, self::MARKS)) ?? $text;
        $plain = trim(preg_replace('~\s+~u', ' ', $plain) ?? '');
        if ($plain === '') {
            throw UnreadableText::empty();
        }

        return preg_replace('~(\d),(\d)~', '$1.$2', $plain) ?? $plain;
    }

    private static function sum(string $text, AngleStyle $style): ?float
    {
        $term = self::TERM;
        // Blanks around a sign make it a sum; 45-30-15 without them is degrees, minutes and seconds.
        if (preg_match("~^[-+]? ?$term(?:(?: [-+] | ?\\+ ?)$term)*$~", $text) !== 1) {
            return null;
        }
        preg_match_all("~(^[-+]? ?| [-+] | ?\\+ ?)($term)~", $text, $parts, PREG_SET_ORDER);
        $sum = 0.0;
        foreach ($parts as [, $sign, $angle]) {
            $value = self::term(trim($angle), $style);
            if ($value === null) {
                return null;
            }
            $sum += str_contains($sign, '-') ? -$value : $value;
        }

        return is_finite($sum) && abs($sum) < 1e6 ? $sum : null;
    }

    private static function term(string $text, AngleStyle $style): ?float
    {
        preg_match('~^(.*?) ?(gon|g|deg|d)?$~', $text, $m);
        $numbers = array_map(floatval(...), preg_split('~[ -]~', $m[1]) ?: []);
        if (count($numbers) === 1) {
            $gon = in_array($m[2] ?? '', ['gon', 'g'], true) || (! isset($m[2]) && $style === AngleStyle::Gon);

            return $gon ? $numbers[0] * M_PI / 200 : deg2rad($numbers[0]);
        }
        // Whole degrees and minutes before what follows; sixty of either is a slip.
        if (in_array($m[2] ?? '', ['gon', 'g'], true) || $numbers[1] >= 60 || ($numbers[2] ?? 0) >= 60 || floor($numbers[0]) !== $numbers[0] || (isset($numbers[2]) && floor($numbers[1]) !== $numbers[1])) {
            return null;
        }

        return deg2rad($numbers[0] + $numbers[1] / 60 + ($numbers[2] ?? 0) / 3600);
    }
}
