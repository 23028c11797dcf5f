<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

/** Slips of the pen in a coordinate: one digit another, two neighbours exchanged, a zero too many or too few. */
final class WrittenDigits
{
    /** Slips smaller than this are taken for a shift, metres: hundredths of a metre look like a digit too easily. */
    private const SMALLEST = 0.095;

    /**
     * The slip that explains where the point was found instead.
     *
     * @param  float  $written  as it stands in the list, metres
     * @param  float  $found  as the readings have it
     * @param  float  $within  metres
     * @param  float  $unit  of the list it was written in, metres
     * @return float|null the figure that was meant, metres
     */
    public static function meant(float $written, float $found, float $within, float $unit = 1.0): ?float
    {
        if (abs($written - $found) < self::SMALLEST) {
            return null;
        }
        $best = null;
        foreach (self::slips($written / $unit) as $slip) {
            $candidate = $slip * $unit;
            if (abs($candidate - $found) <= $within && ($best === null || abs($candidate - $found) < abs($best - $found))) {
                $best = $candidate;
            }
        }

        return $best;
    }

    /** @return list<float> */
    private static function slips(float $written): array
    {
        $sign = $written < 0 ? -1 : 1;
        $text = sprintf('%.3f', abs($written));
        $slips = [];
        for ($i = 0, $n = strlen($text); $i < $n; $i++) {
            if ($text[$i] === '.') {
                continue;
            }
            for ($d = 0; $d <= 9; $d++) {
                $slips[] = substr_replace($text, (string) $d, $i, 1);
            }
            $next = $i + 1 < $n && $text[$i + 1] === '.' ? $i + 2 : $i + 1;
            if ($next < $n) {
                $swapped = $text;
                [$swapped[$i], $swapped[$next]] = [$text[$next], $text[$i]];
                $slips[] = $swapped;
            }
            // A zero too many in the list; one too few.
            if ($text[$i] === '0') {
                $slips[] = substr_replace($text, '', $i, 1);
            }
            $slips[] = substr_replace($text, $text[$i].'0', $i, 1);
        }

        return [...array_map(static fn (string $t) => $sign * (float) $t, $slips), $written * 10, $written / 10];
    }
}
