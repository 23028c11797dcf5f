<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\Geometry\Window;
use Parlay\Core\Units\LengthStyle;

/** A plan of the marks with their deviations drawn as exaggerated arrows, as SVG; both scales stand in the drawing. */
final class DeviationDrawing
{
    private const WIDTH = 1000.0;

    private const HEIGHT = 620.0;

    private const MARGIN = 60.0;

    private readonly float $scale;

    private readonly float $west;

    private readonly float $south;

    private readonly float $exaggeration;

    /** @param  list<ReportRow>  $rows  with a deviation */
    private function __construct(private readonly array $rows, private readonly LengthStyle $style)
    {
        $e = array_map(static fn (ReportRow $r) => $r->found->easting, $rows);
        $n = array_map(static fn (ReportRow $r) => $r->found->northing, $rows);
        $spanE = max(max($e) - min($e), 1.0);
        $spanN = max(max($n) - min($n), 1.0);
        $this->scale = min((self::WIDTH - 2 * self::MARGIN) / $spanE, (self::HEIGHT - 2 * self::MARGIN) / $spanN);
        $this->west = (max($e) + min($e)) / 2 - self::WIDTH / 2 / $this->scale;
        $this->south = (max($n) + min($n)) / 2 - self::HEIGHT / 2 / $this->scale;
        $largest = max(array_map(static fn (ReportRow $r) => $r->deviation->plan ?? 0.0, $rows));
        // The largest deviation becomes an arrow of about 60 units, by a round factor.
        $this->exaggeration = $largest <= 0 ? 1.0 : RoundFigure::atMost(60 / ($largest * $this->scale));
    }

    /**
     * @param  list<ReportRow>  $rows
     * @param  DesignUnderlay|null  $under  drawn behind it
     * @return string|null SVG, null where no mark has a design
     */
    public static function svg(array $rows, LengthStyle $style, ?DesignUnderlay $under = null): ?string
    {
        $judged = array_values(array_filter($rows, static fn (ReportRow $r) => $r->deviation !== null));

        return $judged === [] ? null : (new self($judged, $style))->draw($under);
    }

    private function behind(?DesignUnderlay $under): string
    {
        $window = new Window($this->west, $this->south, $this->west + self::WIDTH / $this->scale, $this->south + self::HEIGHT / $this->scale);
        $path = '';
        foreach ($under?->lines($window) ?? [] as [$a, $b]) {
            $path .= sprintf(
                'M%.1f %.1fL%.1f %.1f', ($a[0] - $this->west) * $this->scale, self::HEIGHT - ($a[1] - $this->south) * $this->scale, ($b[0] - $this->west) * $this->scale,
                self::HEIGHT - ($b[1] - $this->south) * $this->scale,
            );
        }

        return $path === '' ? '' : "<path d=\"$path\" stroke=\"#b8b2a4\" stroke-width=\"1\" fill=\"none\"/>";
    }

    private function draw(?DesignUnderlay $under): string
    {
        $parts = array_map($this->arrow(...), $this->rows);
        [$bar, $length] = $this->scaleBar();
        $labels = $this->labels();

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d" font-family="DejaVu '
                .'Sans"><rect x="1" y="1" width="%3$d" height="%4$d" fill="none" stroke="#888"/>%5$s%6$s%7$s%8$s</svg>',
            self::WIDTH, self::HEIGHT, self::WIDTH - 2, self::HEIGHT - 2, $this->behind($under).implode('', $parts), $labels, $bar,
            sprintf('<text x="%d" y="%d" font-size="15">%s; arrows %s times larger</text><path d="M970 60 L970 20 M962 34 L970 18 '
                .'L978 34" stroke="#000" fill="none" stroke-width="2"/><text x="964" y="78" font-size="15">N</text>',
                30 + $length + 12, self::HEIGHT - 18, htmlspecialchars($this->barText($length)), number_format($this->exaggeration)),
        );
    }

    private function arrow(ReportRow $r): string
    {
        [$x, $y] = [
            ($r->design->easting - $this->west) * $this->scale, self::HEIGHT - ($r->design->northing - $this->south) * $this->scale,
        ];
        $dx = ($r->deviation->easting ?? 0) * $this->scale * $this->exaggeration;
        $dy = -($r->deviation->northing ?? 0) * $this->scale * $this->exaggeration;
        $out = $r->mark->verdict === 'out';
        $symbol = $out
            ? sprintf('<path d="M%.1f %.1f l7 12 l-14 0 z" fill="#b3261e"/>', $x, $y - 8)
            : sprintf('<circle cx="%.1f" cy="%.1f" r="5" fill="none" stroke="#1b6e3c" stroke-width="2.5"/>', $x, $y);

        return sprintf(
            '<line x1="%.1f" y1="%.1f" x2="%.1f" y2="%.1f" stroke="%s" stroke-width="2"/>%s', $x, $y, $x + $dx, $y + $dy,
            $out ? '#b3261e' : '#1b6e3c', $symbol,
        );
    }

    /** Names as far as there is room for them; those that are out come first. */
    private function labels(): string
    {
        $rows = $this->rows;
        usort($rows, static fn (ReportRow $a, ReportRow $b) => ($b->mark->verdict === 'out') <=> ($a->mark->verdict === 'out'));
        $taken = [];
        $svg = '';
        foreach ($rows as $r) {
            $name = mb_substr($r->mark->name, 0, 24);
            $x = ($r->design->easting - $this->west) * $this->scale + 9;
            $y = self::HEIGHT - ($r->design->northing - $this->south) * $this->scale + 16;
            $width = 9 * mb_strlen($name) + 8;
            foreach ($taken as [$left, $top, $right]) {
                if ($x < $right && $x + $width > $left && abs($y - $top) < 13) {
                    continue 2;
                }
            }
            $taken[] = [$x, $y, $x + $width];
            $svg .= sprintf('<text x="%.1f" y="%.1f" font-size="12" fill="#333">%s</text>', $x, $y, htmlspecialchars($name));
        }

        return $svg;
    }

    /** @return array{string, float} */
    private function scaleBar(): array
    {
        $unit = $this->style->unit()->metres();
        $length = RoundFigure::atMost(160 / $this->scale / $unit) * $unit * $this->scale;

        return [
            sprintf('<path d="M30 %1$d l0 8 l%2$.1f 0 l0 -8" stroke="#000" fill="none" stroke-width="2"/>', self::HEIGHT - 30, $length),
            $length,
        ];
    }

    private function barText(float $length): string
    {
        $unit = $this->style->unit();

        return round($length / $this->scale / $unit->metres(), 3).' '.$unit->label();
    }
}
