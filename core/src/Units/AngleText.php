<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/**
 * Reads angles and directions as people type them: 45.5 · 45,5 · 45 30 15 · 45°30′15″ · 45-30-15 · 50.5 gon · N45-30-15E · S 10 W · E ·
 * and sums of them: 45 30 + 90. A bare number is in the project's angle unit; degrees, minutes and seconds are always just that.
 */
final class AngleText
{
    private const MARKS = ['º' => '°', '′' => "'", '’' => "'", '″' => '"', '”' => '"', "''" => '"', '−' => '-'];

    /** Words that stand for a mark, behind a number. */
    private const WORDS = [
        '~(?<=\d)\s*(?:degrees?|deg|d)\.?(?![a-z])~ui' => '°', '~(?<=\d)\s*(?:minutes?|min|m)\.?(?![a-z])~ui' => "'",
        '~(?<=\d)\s*(?:seconds?|sec|s)\.?(?=\s*(?:[-+]|[EW]\b|$))~ui' => '"',
    ];

    /** Up to three numbers, at least one of them marked: 45°30'15", 45° 30, 30', 45-30'. */
    private const MARKED = '~(?<![\d.])(?:\d+(?:\.\d+)?\s*[°\'"]?(?!\s*[-+*]\s)[ -]?){0,2}\d+(?:\.\d+)?\s*[°\'"]?~u';

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
        $plain = preg_replace(array_keys(self::WORDS), array_values(self::WORDS), strtr($text, self::MARKS)) ?? $text;
        $plain = trim(preg_replace('~\s+~u', ' ', $plain) ?? '');
        if ($plain === '') {
            throw UnreadableText::empty();
        }
        $plain = preg_replace('~(\d),(\d)~', '$1.$2', $plain) ?? $plain;

        $plain = preg_replace_callback(self::MARKED, static fn (array $m): string => self::degrees($m[0]), $plain) ?? $plain;

        return trim(preg_replace('~ +~', ' ', $plain) ?? $plain);
    }

    /** What is marked as degrees, minutes or seconds is that, whatever the project writes: 45° is no gon, 30' are no degrees. */
    private static function degrees(string $text): string
    {
        preg_match_all('~(\d+(?:\.\d+)?)\s*([°\'"]?)~u', $text, $parts, PREG_SET_ORDER);
        $rank = ['°' => 0, "'" => 1, '"' => 2];
        $marked = array_filter(array_map(static fn (array $p): ?int => $rank[$p[2]] ?? null, $parts), is_int(...));
        if ($marked === []) {
            return $text;
        }
        $first = array_key_first($marked);
        $values = [0 => '0', 1 => '0', 2 => '0'];
        foreach ($parts as $i => [, $number]) {
            $at = $marked[$first] + $i - $first;
            // A mark out of its order is no angle: as it stands nothing will read it.
            if ($at < 0 || $at > 2 || ($marked[$i] ?? $at) !== $at) {
                return $text;
            }
            $values[$at] = $number;
        }
        $last = $marked[$first] + count($parts) - 1 - $first;

        return implode(' ', array_slice($values, 0, $last + 1)).'d ';
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
        $numbers = array_map(floatval(...), preg_split('~[ -]~', $m[1] ?? '') ?: []);
        if (count($numbers) === 1) {
            $gon = in_array($m[2] ?? '', ['gon', 'g'], true) || (! isset($m[2]) && $style === AngleStyle::Gon);

            return $gon ? $numbers[0] * M_PI / 200 : deg2rad($numbers[0]);
        }
        // Whole degrees and minutes before what follows; sixty of either is a slip.
        if (in_array($m[2] ?? '', ['gon', 'g'], true)
            || $numbers[1] >= 60
            || ($numbers[2] ?? 0) >= 60
            || floor($numbers[0]) !== $numbers[0]
            || (isset($numbers[2]) && floor($numbers[1]) !== $numbers[1])) {
            return null;
        }

        return deg2rad($numbers[0] + $numbers[1] / 60 + ($numbers[2] ?? 0) / 3600);
    }
}
