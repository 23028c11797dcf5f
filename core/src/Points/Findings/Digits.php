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
     * @return list<NumberSlip> each other number once, by the likeliest slip
     */
    public static function slips(string $written): array
    {
        $slips = [];
        $add = static function (SlipKind $kind, string $meant, string $digit = '', string $other = '') use (&$slips, $written): void {
            if ($meant !== $written) {
                $slips["n$meant"] ??= new NumberSlip($kind, $digit, $other, $meant);
            }
        };
        $length = strlen($written);
        for ($i = 0; $i < $length; $i++) {
            if (! ctype_digit($written[$i])) {
                continue;
            }
            $add(SlipKind::Extra, substr_replace($written, '', $i, 1), $written[$i]);
            if ($i + 1 < $length && ctype_digit($written[$i + 1]) && $written[$i] !== $written[$i + 1]) {
                $add(SlipKind::Exchanged, substr_replace($written, $written[$i + 1].$written[$i], $i, 2), $written[$i], $written[$i + 1]);
            }
            for ($digit = 0; $digit <= 9; $digit++) {
                if ($written[$i] !== (string) $digit) {
                    $add(SlipKind::Replaced, substr_replace($written, (string) $digit, $i, 1), (string) $digit, $written[$i]);
                }
                $add(SlipKind::LeftOut, substr_replace($written, (string) $digit, $i, 0), (string) $digit);
            }
        }
        foreach ([
            '~^(-?\d+)(\d)([.,])(\d+)$~' => ['$1$3$2$4', SlipKind::MarkEarlier],
            '~^(-?\d+)([.,])(\d)(\d*)$~' => ['$1$3$2$4', SlipKind::MarkLater],
        ] as $form => [$shifted, $kind]) {
            if (preg_match($form, $written) === 1) {
                $add($kind, (string) preg_replace($form, $shifted, $written));
            }
        }

        return array_values($slips);
    }
}
