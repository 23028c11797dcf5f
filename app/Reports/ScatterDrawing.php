<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\Units\LengthStyle;

/** All deviations about one design, in plan with the tolerance as a circle; and how many there are of each size. As SVG. */
final readonly class ScatterDrawing
{
    private const HEIGHT = 330;

    private const MIDDLE = 165.0;

    /** Half the side of the square that the deviations are drawn in. */
    private const HALF = 140.0;

    private const BARS = 12;

    private const LEFT = 400.0;

    private const WIDE = 560.0;

    /** @param  list<ReportRow>  $rows  judged in plan */
    private function __construct(private array $rows, private LengthStyle $style, private float $tolerance, private float $reach) {}

    /**
     * @param  list<ReportRow>  $rows
     * @return string|null null where fewer than three are judged in plan
     */
    public static function svg(array $rows, LengthStyle $style): ?string
    {
        $judged = CommonWords::judged($rows);
        if (count($judged) < 3) {
            return null;
        }
        $tolerance = max(array_map(static fn (ReportRow $r): float => $r->mark->plan_tolerance, $judged));
        $farthest = max(array_map(static fn (ReportRow $r): float => $r->deviation->plan ?? 0.0, $judged));

        return (new self($judged, $style, $tolerance, 1.1 * max($tolerance, min($farthest, 4 * $tolerance))))->draw();
    }

    private function draw(): string
    {
        return sprintf('<svg xmlns="http://www.w3.org/2000/svg" width="1000" height="%1$d" viewBox="0 0 1000 %1$d" font-family="DejaVu Sans">%2$s%3$s</svg>', self::HEIGHT, $this->circle(), $this->histogram());
    }

    private function circle(): string
    {
        $scale = self::HALF / $this->reach;
        $dots = '';
        $beyond = 0;
        foreach ($this->rows as $r) {
            [$n, $e] = [$r->deviation->northing ?? 0.0, $r->deviation->easting ?? 0.0];
            if (max(abs($n), abs($e)) > $this->reach) {
                $beyond++;

                continue;
            }
            $dots .= sprintf('<circle cx="%.1f" cy="%.1f" r="3.2" fill="%s" fill-opacity="0.75"/>', self::MIDDLE + $scale * $e, self::MIDDLE - $scale * $n, self::colour($r->called()));
        }
        $words = $this->style->formatDeviation($this->tolerance).' circle'.($beyond > 0 ? "; $beyond beyond the square" : '');

        return sprintf(
            '<rect x="%1$.1f" y="%1$.1f" width="%2$.1f" height="%2$.1f" fill="none" stroke="#888"/><path d="M%1$.1f %3$.1f H%4$.1f M%3$.1f %1$.1f V%4$.1f" stroke="#bbb"/>'
            .'<circle cx="%3$.1f" cy="%3$.1f" r="%5$.1f" fill="none" stroke="#1d1b16" stroke-width="1.5" stroke-dasharray="6 4"/>%6$s<text x="%7$.1f" y="20" font-size="13">N</text>'
            .'<text x="%1$.1f" y="325" font-size="13">%8$s</text>',
            self::MIDDLE - self::HALF, 2 * self::HALF, self::MIDDLE, self::MIDDLE + self::HALF, $this->tolerance * $scale, $dots, self::MIDDLE - 5, htmlspecialchars($words, ENT_XML1),
        );
    }

    private function histogram(): string
    {
        $step = $this->reach / self::BARS;
        $bars = array_fill(0, self::BARS, 0);
        foreach ($this->rows as $r) {
            $bars[min(self::BARS - 1, (int) floor(($r->deviation->plan ?? 0.0) / $step))]++;
        }
        $most = max($bars);
        [$wide, $foot] = [self::WIDE / self::BARS, 300.0];
        $svg = '';
        foreach ($bars as $k => $count) {
            $high = 240.0 * $count / max(1, $most);
            $x = self::LEFT + $k * $wide;
            $svg .= sprintf('<rect x="%.1f" y="%.1f" width="%.1f" height="%.1f" fill="#c9c2b2" stroke="#1d1b16" stroke-width="0.8"/>', $x + 2, $foot - $high, $wide - 4, $high)
                .($count === 0 ? '' : sprintf('<text x="%.1f" y="%.1f" font-size="12" text-anchor="middle">%d</text>', $x + $wide / 2, $foot - $high - 5, $count));
        }
        $at = self::LEFT + self::WIDE * $this->tolerance / $this->reach;

        return $svg.sprintf(
            '<path d="M%1$.1f %2$.1f H%3$.1f" stroke="#1d1b16"/><path d="M%4$.1f 36 V%2$.1f" stroke="#1d1b16" stroke-width="1.5" stroke-dasharray="6 4"/>'
            .'<text x="%4$.1f" y="28" font-size="13" text-anchor="middle">tolerance %5$s</text><text x="%1$.1f" y="325" font-size="13">0</text>'
            .'<text x="%3$.1f" y="325" font-size="13" text-anchor="end">%6$s and more, off in plan</text>',
            self::LEFT, $foot, self::LEFT + self::WIDE, $at, htmlspecialchars($this->style->formatDeviation($this->tolerance), ENT_XML1),
            htmlspecialchars($this->style->formatDeviation($this->reach - $step), ENT_XML1),
        );
    }

    /** Of a dot, by how its mark is called. */
    public static function colour(string $called): string
    {
        return match ($called) {
            'out' => '#b3261e', 'close' => '#8a5a00', default => '#1b6e3c'
        };
    }
}
