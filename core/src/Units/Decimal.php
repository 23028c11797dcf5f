<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** A coordinate as files write it. */
final class Decimal
{
    /** No grid on earth reaches farther from its origin, metres. */
    private const FARTHEST = 1e8;

    /** @return float|string metres, or the reason why it is no coordinate */
    public static function read(string $cell, string $mark, LengthUnit $unit): float|string
    {
        // A plain number, which nearly all are, needs none of the care below.
        if ($mark === '.' && is_numeric($cell) && strlen($cell) < 20 && strpbrk($cell, 'eE') === false) {
            $metres = (float) $cell * $unit->metres();

            return abs($metres) <= self::FARTHEST ? $metres : self::tooFar($cell, $unit);
        }
        $plain = str_replace(["\u{A0}", "\u{202F}", '−'], [' ', ' ', '-'], $cell);
        if (($unit === LengthUnit::Foot || $unit === LengthUnit::UsFoot) && preg_match('~[\'"′″’”/⁄¼-¾⅐-⅞]|\d-\d~u', $plain) === 1) {
            return self::feetInches($plain, $mark, $unit);
        }
        $thousands = $mark === ',' ? '.' : ',';
        $grouped = '~^[-+]?\d{1,3}([ \''.$thousands.']\d{3})+(\\'.$mark.'\d*)?$~';
        if (preg_match($grouped, $plain) === 1) {
            $plain = str_replace([' ', "'", $thousands], '', $plain);
        }
        $plain = $mark === ',' ? str_replace(',', '.', $plain) : $plain;
        if (! preg_match('~^[-+]?(\d+\.?\d*|\.\d+)([eE][-+]?\d{1,3})?$~', $plain)) {
            return sprintf('“%s” is not a number', mb_substr($cell, 0, 40));
        }
        $metres = (float) $plain * $unit->metres();

        return is_finite($metres) && abs($metres) <= self::FARTHEST ? $metres : self::tooFar($cell, $unit);
    }

    private static function tooFar(string $cell, LengthUnit $unit): string
    {
        return sprintf('“%s” %s lies farther from the origin than any grid reaches', mb_substr($cell, 0, 40), $unit->label());
    }

    private static function feetInches(string $text, string $mark, LengthUnit $unit): float|string
    {
        try {
            $found = LengthText::cell($text, $unit, $mark);
        } catch (UnreadableText) {
            $found = [];
        }
        if (count($found) > 1) {
            return sprintf('“%s” can be %s: write it with its foot and inch marks', mb_substr($text, 0, 40), implode(' or ', array_map(
                static fn (float $m) => LengthStyle::FeetInches32->format($m / $unit->metres() * LengthUnit::Foot->metres()), $found,
            )));
        }
        if ($found === []) {
            return sprintf('“%s” is not a length in feet and inches', mb_substr($text, 0, 40));
        }

        return abs($found[0]) <= self::FARTHEST ? $found[0] : self::tooFar($text, $unit);
    }
}
