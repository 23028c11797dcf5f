<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/**
 * Reads a length as people type it: 12.5 · 12,5 · 3+2*0.15 · 250 mm · 12' 3 1/2" · 12-3 1/2.
 *
 * Where two readings remain (1,234 or 12-3 1/2) both are given, the likelier first, and the person chooses.
 */
final class LengthText
{
    private const MARKS = ['′' => "'", '’' => "'", '″' => '"', '”' => '"', '“' => '"', "''" => '"', 'ft US' => 'usft', '×' => '*', '−' => '-'];

    private const NUMBER = '(?:\d+(?:[.,]\d+)*|[.,]\d+)';

    /**
     * @return non-empty-list<float> metres, distinct, the likelier reading first
     *  @throws UnreadableText
     */
    public static function read(string $text, LengthStyle $style): array
    {
        $plain = trim(strtr($text, self::MARKS));
        if ($plain === '') {
            throw UnreadableText::empty();
        }
        $readings = [];
        foreach (self::feetInchesWithDash($plain, $style) as $metres) {
            $readings[] = $metres;
        }
        foreach (self::commaReadings($plain) as $candidate) {
            $value = self::sum($candidate, $style->unit());
            if ($value !== null && is_finite($value) && abs($value) < 1e9) {
                $readings[] = $value;
            }
        }
        if ($readings === []) {
            throw UnreadableText::asLength($text);
        }

        return array_values(array_unique($readings));
    }

    /**
     * 12-3 1/2 is twelve feet three and a half where the project works in feet-inches.
     *
     * @return list<float>
     */
    private static function feetInchesWithDash(string $text, LengthStyle $style): array
    {
        if ($style->inchParts() === null || ! preg_match('~^(-?)(\d+)-(\d+)(?: (\d+)/(\d+))?$~', $text, $m)) {
            return [];
        }
        $fraction = isset($m[5]) ? ((int) $m[5] === 0 ? null : (int) $m[4] / (int) $m[5]) : 0.0;
        if ($fraction === null || (int) $m[3] >= 12) {
            return [];
        }

        return [($m[1] === '-' ? -1 : 1) * ((int) $m[2] * 12 + (int) $m[3] + $fraction) * 0.0254];
    }

    /**
     * The text with its commas read as decimal marks, and again as thousands marks.
     *
     * @return list<string>
     */
    private static function commaReadings(string $text): array
    {
        if (! str_contains($text, ',')) {
            return [$text];
        }
        $thousands = preg_match('~(?<![\d.,])\d{1,3}(,\d{3})+(?![\d,])~', $text) === 1;
        $several = preg_match('~\d,\d+,\d~', $text) === 1 || preg_match('~,\d+\.~', $text) === 1;
        $decimal = $several || preg_match('~\.\d+,~', $text) === 1 ? [] : [str_replace(',', '.', $text)];

        return $thousands ? [...$decimal, str_replace(',', '', $text)] : $decimal;
    }

    /** A sum of products, or null when the text is none. */
    private static function sum(string $text, LengthUnit $unit): ?float
    {
        $compact = preg_replace('~\s*([-+*/()])\s*~', '$1', $text) ?? '';
        $total = 0.0;
        $rest = $compact;
        $sign = 1.0;
        if (preg_match('~^([-+])(.*)$~s', $rest, $m)) {
            $sign = $m[1] === '-' ? -1.0 : 1.0;
            $rest = $m[2];
        }
        while (true) {
            $term = self::product($rest, $unit);
            if ($term === null) {
                return null;
            }
            [$value, $rest] = $term;
            $total += $sign * $value;
            if ($rest === '') {
                return $total;
            }
            if ($rest[0] !== '+' && $rest[0] !== '-') {
                return null;
            }
            $sign = $rest[0] === '-' ? -1.0 : 1.0;
            $rest = substr($rest, 1);
        }
    }

    /**
     * A factor keeps its unit only where it is the one length of its product: 2*0.15 is two of 0.15.
     *  @return array{float, string}|null metres and the text that follows
     */
    private static function product(string $text, LengthUnit $unit): ?array
    {
        $first = self::atom($text);
        if ($first === null) {
            return null;
        }
        [$value, $named, $rest] = $first;
        while ($rest !== '' && ($rest[0] === '*' || $rest[0] === '/')) {
            $next = self::atom(substr($rest, 1));
            if ($next === null || ($named !== null && $next[1] !== null) || ($rest[0] === '/' && ($next[0] === 0.0 || $next[1] !== null))) {
                return null;
            }
            $value = $rest[0] === '*' ? $value * $next[0] : $value / $next[0];
            $named ??= $next[1];
            $rest = $next[2];
        }

        return [$named === null ? $value * $unit->metres() : $value, $rest];
    }

    /** @return array{float, ?LengthUnit, string}|null metres where a unit is named, else the bare number */
    private static function atom(string $text): ?array
    {
        $n = self::NUMBER;
        if (preg_match("~^($n)' ?(?:-?(\d+(?:\.\d+)?)(?: (\d+)/(\d+))?(?![\d/])|(\d+)/(\d+))?\"?~", $text, $m) && ($m[4] ?? '1') !== '0' && ($m[6] ?? '1') !== '0') {
            $inches = (float) ($m[2] ?? 0);
            $inches += ($m[4] ?? '') !== '' ? (int) $m[3] / (int) $m[4] : 0.0;
            $inches += ($m[6] ?? '') !== '' ? (int) $m[5] / (int) $m[6] : 0.0;

            return [((float) $m[1] * 12 + $inches) * 0.0254, LengthUnit::Foot, substr($text, strlen($m[0]))];
        }
        if (preg_match('~^(?:(\d+(?:\.\d+)?)(?: (\d+)/(\d+))?|(\d+)/(\d+))"~', $text, $m) && ($m[3] ?? '1') !== '0' && ($m[5] ?? '1') !== '0') {
            $inches = (float) $m[1] + (($m[3] ?? '') !== '' ? (int) $m[2] / (int) $m[3] : 0.0) + (($m[5] ?? '') !== '' ? (int) $m[4] / (int) $m[5] : 0.0);

            return [$inches * 0.0254, LengthUnit::Inch, substr($text, strlen($m[0]))];
        }
        if (preg_match('~^(\d+) (\d+)/(\d+)(?![\d/])~', $text, $m) && (int) $m[3] !== 0) {
            return [(int) $m[1] + (int) $m[2] / (int) $m[3], null, substr($text, strlen($m[0]))];
        }
        if (! preg_match("~^($n) ?(mm|cm|m|usft|ft|in)?~", $text, $m) || substr_count($m[1], '.') > 1) {
            return null;
        }
        $named = isset($m[2]) ? LengthUnit::from($m[2]) : null;

        return [(float) $m[1] * ($named?->metres() ?? 1.0), $named, substr($text, strlen($m[0]))];
    }
}
