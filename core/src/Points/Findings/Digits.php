<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

/**
 * Ways in which one slip of the pen or the keyboard makes another number: a digit wrong, too many, missing, two exchanged, or the
 * decimal mark misplaced.
 */
final class Digits
{
    /**
     * @param  string  $written  the number as the file has it
     * @return array<string, string> other number to what was done, in words
     */
    public static function slips(string $written): array
    {
        $others = [];
        $length = strlen($written);
        for ($i = 0; $i < $length; $i++) {
            if (! ctype_digit($written[$i])) {
                continue;
            }
            $others[substr_replace($written, '', $i, 1)] ??= $written[$i] === '0'
                ? 'without an extra 0'
                : "without an extra {$written[$i]}";
            if ($i + 1 < $length && ctype_digit($written[$i + 1]) && $written[$i] !== $written[$i + 1]) {
                $others[substr_replace(
                    $written, $written[$i + 1].$written[$i], $i, 2,
                )] ??= "with {$written[$i]} and {$written[$i + 1]} exchanged";
            }
            for ($digit = 0; $digit <= 9; $digit++) {
                if ($written[$i] !== (string) $digit) {
                    $others[substr_replace($written, (string) $digit, $i, 1)] ??= "with {$digit} in place of {$written[$i]}";
                }
                $others[substr_replace($written, (string) $digit, $i, 0)] ??= "with a {$digit} put in";
            }
        }
        foreach ([
            '~^(-?\d+)(\d)([.,])(\d+)$~' => ['$1$3$2$4', 'with its decimal mark a place earlier'],
            '~^(-?\d+)([.,])(\d)(\d*)$~' => ['$1$3$2$4', 'with its decimal mark a place later'],
        ] as $form => [$shifted, $how]) {
            if (preg_match($form, $written) === 1) {
                $others[(string) preg_replace($form, $shifted, $written)] ??= $how;
            }
        }
        unset($others[$written]);

        return $others;
    }
}
