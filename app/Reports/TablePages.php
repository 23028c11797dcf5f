<?php

declare(strict_types=1);

namespace App\Reports;

use setasign\Fpdi\Tcpdf\Fpdi;

/**
 * Draws long tables cell by cell, in the looks that resources/views/printed.blade.php gives to everything else that is printed.
 *
 * A page laid out from HTML takes time and memory that grow with the square of its rows: 400 rows took 10 s and 180 MB, and cell by
 * cell 5,000 take two seconds and hardly any memory. So what is short comes as HTML, what may be long from here, and both are joined.
 */
final class TablePages
{
    private const MARGIN = 36.0;

    /** Left free at the foot of a page. */
    private const FOOT = 48.0;

    private const LINE = 10.4;

    private const PADDING = 2.0;

    private const SIZE = 8.0;

    private const SMALLEST = 5.0;

    /** Words a little too wide are written smaller; only wider ones are broken. */
    private const SQUEEZED = 1.2;

    private const BOX = 14.0;

    private float $y = 0.0;

    public function __construct(private readonly Fpdi $pdf) {}

    public function draw(LongTable $table): void
    {
        $this->pdf->AddPage();
        $this->y = self::MARGIN;
        $this->font(10.5, true);
        $this->pdf->Text(self::MARGIN, $this->y, $table->heading);
        $this->y += 17;
        $this->rule(1.0, '#1d1b16');
        $widths = $this->widths($table);
        $this->heading($table, $widths);
        $empty = true;
        foreach ($table->rows as $row) {
            $empty = false;
            $this->row($table, $widths, $row);
        }
        if ($empty && $table->ifEmpty !== '') {
            $this->font(self::SIZE, false);
            $this->pdf->Text(self::MARGIN, $this->y + 6, $table->ifEmpty);
            $this->y += 20;
        }
    }

    /**
     * Lines to sign on, below the last table.
     *
     * @param  list<string>  $who
     */
    public function signatures(array $who): void
    {
        if ($this->y === 0.0 || $this->y > $this->bottom() - 60) {
            $this->pdf->AddPage();
            $this->y = self::MARGIN;
        }
        $this->font(self::SIZE, false);
        $step = $this->width() / count($who);
        foreach ($who as $i => $words) {
            $x = self::MARGIN + $i * $step;
            $this->pdf->Line($x, $this->y + 44, $x + $step - 24, $this->y + 44, ['width' => 0.8, 'color' => self::rgb('#1d1b16')]);
            $this->pdf->Text($x, $this->y + 46, $words);
        }
    }

    private function bottom(): float
    {
        return $this->pdf->getPageHeight() - self::FOOT;
    }

    private function width(): float
    {
        return $this->pdf->getPageWidth() - 2 * self::MARGIN;
    }

    /** @return list<float> */
    private function widths(LongTable $table): array
    {
        $all = $this->width() - ($table->boxes ? self::BOX : 0.0);
        $shares = array_sum(array_map(static fn (Column $c) => $c->share, $table->columns));

        return array_map(static fn (Column $c) => $all * $c->share / $shares, $table->columns);
    }

    /** @param  list<float>  $widths */
    private function heading(LongTable $table, array $widths): void
    {
        $this->font(7.0, true);
        $lines = max(array_map(static fn (Column $c) => count($c->heading), $table->columns));
        $x = self::MARGIN + ($table->boxes ? self::BOX : 0.0);
        foreach ($table->columns as $i => $column) {
            foreach ($column->heading as $k => $line) {
                $this->text($line, $x, $this->y + self::PADDING + $k * 9, $widths[$i], $column->figures);
            }
            $x += $widths[$i];
        }
        $this->y += 2 * self::PADDING + $lines * 9 + 1;
        $this->rule(0.6, '#777777');
    }

    /**
     * @param  list<float>  $widths
     * @param  array{cells?: list<list<string>>, span?: string, bold?: bool, quiet?: bool}  $row
     */
    private function row(LongTable $table, array $widths, array $row): void
    {
        if (isset($row['span'])) {
            $this->span($table, $widths, $row['span'], $row['bold'] ?? false);

            return;
        }
        $cells = [];
        $lines = 1;
        foreach ($row['cells'] ?? [] as $i => $cell) {
            $bold = ($row['bold'] ?? false) || $table->columns[$i]->bold;
            $this->font(self::SIZE, $bold);
            $cells[$i] = $table->columns[$i]->figures ? $cell : $this->broken($cell, $widths[$i] - 2 * self::PADDING);
            $lines = max($lines, count($cells[$i]));
        }
        $height = 2 * self::PADDING + $lines * self::LINE;
        $this->makeRoom($table, $widths, $height);
        $this->pdf->SetTextColor(...(($row['quiet'] ?? false) ? [0x77, 0x77, 0x77] : [0x1D, 0x1B, 0x16]));
        $x = self::MARGIN;
        if ($table->boxes) {
            $this->pdf->Rect($x, $this->y + self::PADDING + 0.5, 9, 9, 'D', ['all' => ['width' => 1.0, 'color' => self::rgb('#1d1b16')]]);
            $x += self::BOX;
        }
        foreach ($cells as $i => $cell) {
            $this->font(self::SIZE, ($row['bold'] ?? false) || $table->columns[$i]->bold);
            foreach ($cell as $k => $line) {
                $this->text($line, $x, $this->y + self::PADDING + $k * self::LINE, $widths[$i], $table->columns[$i]->figures);
            }
            $x += $widths[$i];
        }
        $this->pdf->SetTextColor(0x1D, 0x1B, 0x16);
        $this->y += $height;
        $this->rule(0.3, '#cccccc');
    }

    /**
     * Words across the whole table.
     *
     * @param  list<float>  $widths
     */
    private function span(LongTable $table, array $widths, string $words, bool $bold): void
    {
        $this->font(self::SIZE, $bold);
        $lines = $this->broken([$words], $this->width() - 2 * self::PADDING);
        $height = 2 * self::PADDING + count($lines) * self::LINE;
        $this->makeRoom($table, $widths, $height);
        $this->font(self::SIZE, $bold);
        foreach ($lines as $k => $line) {
            $this->pdf->Text(self::MARGIN + self::PADDING, $this->y + self::PADDING + $k * self::LINE, $line);
        }
        $this->y += $height;
        $this->rule(0.3, '#cccccc');
    }

    /** @param  list<float>  $widths */
    private function makeRoom(LongTable $table, array $widths, float $height): void
    {
        if ($this->y + $height > $this->bottom()) {
            $this->pdf->AddPage();
            $this->y = self::MARGIN;
            $this->heading($table, $widths);
        }
    }

    /** One line in its column: a figure that is too wide is written smaller, never cut. */
    private function text(string $line, float $x, float $y, float $width, bool $right): void
    {
        if ($line === '') {
            return;
        }
        $size = $this->pdf->getFontSizePt();
        $room = $width - 2 * self::PADDING;
        $wide = $this->pdf->GetStringWidth($line);
        if ($wide > $room) {
            $this->pdf->setFontSize(max(self::SMALLEST, $size * $room / $wide));
            $wide = $this->pdf->GetStringWidth($line);
        }
        $this->pdf->Text(
            $right ? $x + $width - self::PADDING - $wide : $x + self::PADDING, $y + ($size - $this->pdf->getFontSizePt()) / 2, $line,
        );
        $this->pdf->setFontSize($size);
    }

    /**
     * Words broken into lines that fit, within a word where it must be: nothing that was named is cut off.
     *
     * @param  list<string>  $lines
     * @return list<string>
     */
    private function broken(array $lines, float $room): array
    {
        $all = [];
        foreach ($lines as $line) {
            while ($this->pdf->GetStringWidth($line) > $room * self::SQUEEZED && mb_strlen($line) > 1) {
                $fits = max(1, (int) (mb_strlen($line) * $room / $this->pdf->GetStringWidth($line)));
                while ($fits > 1 && $this->pdf->GetStringWidth(mb_substr($line, 0, $fits)) > $room) {
                    $fits--;
                }
                $blank = mb_strrpos(mb_substr($line, 0, $fits), ' ');
                $at = $blank !== false && $blank > 0 ? $blank : $fits;
                $all[] = mb_substr($line, 0, $at);
                $line = ltrim(mb_substr($line, $at));
            }
            $all[] = $line;
        }

        return $all;
    }

    private function font(float $size, bool $bold): void
    {
        $this->pdf->setFont('dejavusans', $bold ? 'B' : '', $size);
    }

    private function rule(float $width, string $colour): void
    {
        $this->pdf->Line(
            self::MARGIN, $this->y, self::MARGIN + $this->width(), $this->y, ['width' => $width, 'color' => self::rgb($colour)],
        );
    }

    /** @return list<int> */
    private static function rgb(string $hex): array
    {
        return array_map(hexdec(...), str_split(ltrim($hex, '#'), 2));
    }
}
