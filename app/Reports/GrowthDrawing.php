<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\Units\LengthStyle;

/** How far off each mark is in plan, against its distance from the instrument and against the age of its setup: two pictures side by side, as SVG. */
final readonly class GrowthDrawing
{
    private const HEIGHT = 250;

    private const FOOT = 205.0;

    private const TOP = 30.0;

    private const WIDE = 420.0;

    private function __construct(private float $reach, private LengthStyle $style) {}

    /**
     * @param  list<ReportRow>  $rows
     * @return string|null null where fewer than three are judged in plan
     */
    public static function svg(array $rows, LengthStyle $style): ?string
    {
        $judged = array_values(array_filter(CommonWords::judged($rows), static fn (ReportRow $r): bool => $r->trace !== null));
        if (count($judged) < 3) {
            return null;
        }
        $reach = 1.1 * max(1e-4, ...array_map(static fn (ReportRow $r): float => $r->deviation->plan ?? 0.0, $judged));
        $of = new self($reach, $style);
        $hours = static fn (float $h): string => $h < 1.0 ? round(60 * $h).' min' : round($h, 1).' h';

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="1000" height="%1$d" viewBox="0 0 1000 %1$d" font-family="DejaVu Sans">%2$s%3$s</svg>', self::HEIGHT,
            $of->panel(50.0, $judged, static fn (ReportRow $r): float => (float) $r->distance(), 'from the instrument', $style->format(...)),
            $of->panel(550.0, $judged, static fn (ReportRow $r): float => (float) $r->age(), 'after the setup', $hours),
        );
    }

    /**
     * @param  list<ReportRow>  $rows
     * @param  \Closure(ReportRow): float  $along
     * @param  \Closure(float): string  $words
     */
    private function panel(float $left, array $rows, \Closure $along, string $what, \Closure $words): string
    {
        $far = max(1e-6, ...array_map($along, $rows));
        $dots = '';
        foreach ($rows as $r) {
            $dots .= sprintf(
                '<circle cx="%.1f" cy="%.1f" r="3.2" fill="%s" fill-opacity="0.75"/>', $left + self::WIDE * $along($r) / $far,
                self::FOOT - (self::FOOT - self::TOP) * ($r->deviation->plan ?? 0.0) / $this->reach, ScatterDrawing::colour($r->called()),
            );
        }

        return sprintf(
            '<path d="M%1$.1f %2$.1f V%3$.1f H%4$.1f" fill="none" stroke="#1d1b16"/>%5$s<text x="%1$.1f" y="18" font-size="13">up to %6$s off in plan</text>'
            .'<text x="%1$.1f" y="230" font-size="13">0</text><text x="%4$.1f" y="230" font-size="13" text-anchor="end">%7$s %8$s</text>',
            $left, self::TOP, self::FOOT, $left + self::WIDE, $dots, htmlspecialchars($this->style->formatDeviation($this->reach), ENT_XML1), htmlspecialchars($words($far), ENT_XML1), $what,
        );
    }
}
