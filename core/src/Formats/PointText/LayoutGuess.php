<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

use Parlay\Core\Units\CoordinateOrder;
use Parlay\Core\Units\Decimal;
use Parlay\Core\Units\LengthUnit;

/** Guesses how a point file is laid out from its first rows. A guess: it is shown and can be changed before anything is taken. */
final class LayoutGuess
{
    /** Metres. */
    private const WIDEST_SITE = 100_000.0;

    /** Metres from a grid's origin to its farthest point, more or less. */
    private const FARTHEST_GRID = 1.2e7;

    /**
     * @param  list<string>  $lines  the first rows, as UTF-8
     * @param  CoordinateOrder  $order  for files whose headings do not say
     * @param  LengthUnit  $unit  for files that do not say
     * @param  string|null  $separator  where it was told
     */
    public static function from(array $lines, CoordinateOrder $order, LengthUnit $unit, ?string $separator = null): Layout
    {
        $rows = array_values(array_filter($lines, static fn (string $l) => trim($l) !== '' && preg_match('~^\s*(#|//)~', $l) !== 1));
        $separator ??= self::separator($rows);
        $mark = self::decimalMark($rows, $separator);
        $skip = self::skip($lines, $separator, $mark);
        $heading = self::heading($lines, $skip, $separator);
        $cells = array_map(static fn (string $l) => Layout::split($l, $separator), array_slice($lines, $skip, 50));
        $columns = self::fromHeadings($heading) ?? self::byContent($cells, $mark, $order);

        return new Layout(
            $separator, $mark, $skip, $columns, self::unit(implode(' ', $heading), $cells, $columns, $mark) ?? $unit, $heading,
        );
    }

    /**
     * The one that cuts most rows into the same number of cells, at least three.
     *  @param  list<string>  $rows
     */
    private static function separator(array $rows): string
    {
        $best = [0, ','];
        // A comma comes last of the marks: it is a decimal mark as often as a separator.
        $marks = ["\t", ';', '|', ','];
        // Cells that end in a mark are parted by that mark, and the blanks behind it are for the eye.
        $marked = preg_grep('~[,;|]\s~', $rows) ?: [];
        foreach (2 * count($marked) > count($rows) ? $marks : [...$marks, Layout::BLANKS] as $separator) {
            $counts = array_count_values(array_map(static fn (string $l) => count(Layout::split($l, $separator)), $rows));
            unset($counts[0], $counts[1], $counts[2]);
            $agree = $counts === [] ? 0 : max($counts);
            if ($agree > $best[0]) {
                $best = [$agree, $separator];
            }
        }

        return $best[1];
    }

    /** In the smallest unit, so that millimetres of a grid far from its origin are numbers too; feet and inches as well. */
    private static function isNumber(string $cell, string $mark): bool
    {
        return is_float(Decimal::read($cell, $mark, LengthUnit::Millimetre)) || is_float(Decimal::read($cell, $mark, LengthUnit::Foot));
    }

    /** @param  list<string>  $rows */
    private static function decimalMark(array $rows, string $separator): string
    {
        if ($separator === ',') {
            return '.';
        }
        $text = implode("\n", $rows);
        $commas = preg_match_all('~(?<![\d.,])-?\d+,\d+(?![\d.,])~', $text);
        $dots = preg_match_all('~(?<![\d.,])-?\d+\.\d+(?![\d.,])~', $text);

        return $commas > $dots ? ',' : '.';
    }

    /**
     * Rows before the first that holds two numbers.
     *
     * @param  list<string>  $lines
     */
    private static function skip(array $lines, string $separator, string $mark): int
    {
        foreach ($lines as $i => $line) {
            $cells = Layout::split($line, $separator);
            $numbers = array_filter($cells, static fn (string $c) => $c !== '' && self::isNumber($c, $mark));
            if (count($numbers) >= 2 && preg_match('~^\s*(#|//)~', $line) !== 1) {
                return $i;
            }
        }

        return 0;
    }

    /**
     * @param  list<string>  $lines
     *  @return list<string>
     */
    private static function heading(array $lines, int $skip, string $separator): array
    {
        for ($i = $skip - 1; $i >= 0; $i--) {
            $cells = Layout::split(ltrim($lines[$i], "#/ \t"), $separator);
            if (count(array_filter($cells, static fn (string $c) => Column::fromHeading($c) !== null)) >= 3) {
                return $cells;
            }
        }

        return [];
    }

    /**
     * @param  list<string>  $heading
     *  @return list<Column>|null null where the headings don't name what is needed
     */
    private static function fromHeadings(array $heading): ?array
    {
        $columns = [];
        foreach ($heading as $cell) {
            $column = Column::fromHeading($cell) ?? (trim($cell) === '' ? Column::Ignored : Column::Attribute);
            $columns[] = $column !== Column::Attribute && in_array($column, $columns, true) ? Column::Ignored : $column;
        }
        $complete = array_intersect(['northing', 'easting'], array_map(static fn (Column $c) => $c->value, $columns));

        return count($complete) === 2 ? $columns : null;
    }

    /**
     * Name first, then numbers in the usual order, then words.
     *  @param  list<list<string>>  $rows
     *  @return list<Column>
     */
    private static function byContent(array $rows, string $mark, CoordinateOrder $order): array
    {
        $width = $rows === [] ? 0 : max(array_map(count(...), $rows));
        $numeric = [];
        for ($i = 0; $i < $width; $i++) {
            $cells = array_filter(array_map(static fn (array $r) => $r[$i] ?? '', $rows), static fn (string $c) => $c !== '');
            $good = array_filter($cells, static fn (string $c) => self::isNumber($c, $mark));
            $numeric[$i] = $cells !== [] && count($good) >= 0.8 * count($cells);
        }
        $pair = $order === CoordinateOrder::NorthingEasting ? [Column::Northing, Column::Easting] : [Column::Easting, Column::Northing];
        $numbers = [...$pair, Column::Elevation];
        // A first column of numbers with decimals is a coordinate: the name comes later, or there is none.
        $first = array_map(static fn (array $r) => $r[0] ?? '', $rows);
        $coordinatesFirst = ($numeric[0] ?? false) && count(preg_grep('~\d[.,]\d~', $first) ?: []) > 0.5 * count($first);
        $words = $coordinatesFirst ? [Column::Name, Column::Code, Column::Description] : [Column::Code, Column::Description];
        $columns = $coordinatesFirst ? [] : [Column::Name];
        for ($i = count($columns), $last = max($width, $i + 2); $i < $last; $i++) {
            // Needed columns are named even where the rows are no numbers: the faults then say so.
            $isNumber = ($numeric[$i] ?? false) || count($numbers) > 1;
            $columns[] = ($isNumber ? array_shift($numbers) : array_shift($words)) ?? Column::Attribute;
        }

        return $columns;
    }

    /**
     * @param  list<list<string>>  $rows
     *  @param  list<Column>  $columns
     */
    private static function unit(string $heading, array $rows, array $columns, string $mark): ?LengthUnit
    {
        if (preg_match('~[\[( _](mm|cm|usft|us ?ft|ft|feet|m)[\])]?(?= |$|[\])])~i', $heading, $m) === 1) {
            return match (strtolower(str_replace(' ', '', $m[1]))) {
                'mm' => LengthUnit::Millimetre, 'cm' => LengthUnit::Centimetre, 'usft' => LengthUnit::UsFoot, 'ft', 'feet' => LengthUnit::Foot, default => LengthUnit::Metre,
            };
        }
        $index = array_search(Column::Northing, $columns, true);
        $cells = array_filter(array_map(static fn (array $r) => $r[$index] ?? '', $rows), static fn (string $c) => $c !== '');
        if (preg_match('~[\'"′″]~u', implode('', $cells)) === 1) {
            return LengthUnit::Foot;
        }
        $values = array_map(static fn (string $c) => ($read = Decimal::read($c, $mark, LengthUnit::Millimetre)) === (string) $read
            ? $read
            : 1000 * (float) $read, $cells);
        $whole = $cells !== [] && array_filter($cells, static fn (string $c) => preg_match('~^-?\d+$~', $c) !== 1) === [];

        $figures = array_values(array_filter($values, is_float(...)));
        if (count($figures) < 2) {
            return null;
        }
        $spread = max($figures) - min($figures);

        // Whole numbers that spread over kilometres are millimetres of one site; so are figures with a decimal at most that spread over
        // a hundred, and any that reach farther than a grid.
        return ($whole && $spread > 5000)
            || ($spread > self::WIDEST_SITE && preg_grep('~[.,]\d\d~', $cells) === [])
            || max(array_map(abs(...), $figures)) > self::FARTHEST_GRID ? LengthUnit::Millimetre : null;
    }
}
