<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Name;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Points\StringEnd;
use Parlay\Core\Units\Decimal;

/** Reads points row by row; a wrong row is a fault with its place and never stops the rest. */
final class PointTextReader
{
    private const MOST_ROWS = 500_000;

    private const MOST_COLUMNS = 200;

    /**
     * @param  resource  $stream
     * @return \Generator<PointRow|RowFault|StringEnd>
     *
     * @throws UnreadablePoints where the file as a whole is no list of points
     */
    public static function read($stream, Layout $layout): \Generator
    {
        $rows = 0;
        $last = null;
        foreach (TextLines::rows($stream) as $line => $text) {
            if ($line <= $layout->skip || trim($text) === '' || preg_match('~^\s*(#|//)~', $text) === 1) {
                continue;
            }
            if (++$rows > self::MOST_ROWS) {
                throw UnreadablePoints::tooManyRows(self::MOST_ROWS);
            }
            $cells = $layout->cells($text);
            if (count($cells) > self::MOST_COLUMNS) {
                throw UnreadablePoints::tooManyColumns($line, count($cells), self::MOST_COLUMNS);
            }
            $row = self::row($line, $cells, $layout);
            if ($row instanceof PointRow && self::isNothing($row->position) && ($row->name === $last || self::isZero($row->name))) {
                $row = new StringEnd($line);
            }
            $last = $row instanceof PointRow ? $row->name : null;
            yield $row;
        }
    }

    /** @param  list<string>  $cells */
    private static function row(int $line, array $cells, Layout $layout): PointRow|RowFault|StringEnd
    {
        /** @var array<string, string> $values */
        $values = [];
        $numbers = $attributes = [];
        foreach ($layout->columns as $i => $column) {
            $cell = $cells[$i] ?? '';
            if ($column === Column::Attribute) {
                if ($cell !== '') {
                    $attributes[$layout->headings[$i] ?? 'column '.($i + 1)] = mb_substr($cell, 0, 1000);
                }

                continue;
            }
            $values[$column->value] = $cell;
            if (! in_array($column, [Column::Northing, Column::Easting, Column::Elevation], true)
                || ($column === Column::Elevation && $cell === '')) {
                continue;
            }
            if (! isset($cells[$i]) || $cell === '') {
                return new RowFault($line, $i + 1, "the {$column->value} is missing");
            }
            $number = Decimal::read($cell, $layout->decimalMark, $layout->unit);
            if (is_string($number)) {
                return new RowFault($line, $i + 1, "$number, and {$column->value} was expected");
            }
            $numbers[$column->value] = $number;
        }
        $values = self::withRest($values, $cells, $layout);
        if (self::endsString($cells, $numbers)) {
            return new StringEnd($line);
        }
        // A layout has both columns, and each was read above.
        assert(isset($numbers['northing'], $numbers['easting']));
        $name = in_array(Column::Name, $layout->columns, true) ? $values[Column::Name->value] ?? '' : (string) $line;
        $fault = Name::fault($name);
        if ($fault !== null) {
            return new RowFault($line, self::columnOf($layout, Column::Name), $fault);
        }

        return new PointRow(
            $line,
            $name,
            new Position($numbers['northing'], $numbers['easting'], $numbers['elevation'] ?? null),
            mb_substr($values[Column::Code->value] ?? '', 0, Name::LONGEST),
            mb_substr($values[Column::Description->value] ?? '', 0, 1000),
            $values[Column::Northing->value] ?? '',
            $values[Column::Easting->value] ?? '',
            $attributes,
        );
    }

    /**
     * What stands behind the last column is what it says goes on with: nobody puts quotes about a remark.
     *
     * @param  array<string, string>  $values
     * @param  list<string>  $cells
     * @return array<string, string>
     */
    private static function withRest(array $values, array $cells, Layout $layout): array
    {
        $rest = array_filter(array_slice($cells, count($layout->columns)), static fn (string $cell) => $cell !== '');
        $last = $layout->columns[count($layout->columns) - 1] ?? null;
        if ($rest === []
            || ! in_array($last, [Column::Description, Column::Code], true)
            || ($last === Column::Code && in_array(Column::Description, $layout->columns, true))) {
            return $values;
        }
        $said = $values[Column::Description->value] ?? '';

        return [Column::Description->value => implode(
            $layout->separator === Layout::BLANKS ? ' ' : $layout->separator.' ', [...($said === '' ? [] : [$said]), ...$rest],
        )] + $values;
    }

    /**
     * Files of strings end each with a row of zeros, or of one value over and over.
     *
     * @param  list<string>  $cells
     * @param  array<string, float>  $numbers
     */
    private static function endsString(array $cells, array $numbers): bool
    {
        $words = array_unique(array_filter(
            array_map(static fn (string $c) => is_numeric($c) ? (string) (float) $c : $c, $cells), static fn (string $c) => $c !== '',
        ));

        return count($numbers) >= 2 && count($words) === 1;
    }

    /** With the name of the row before it, that is no point at the origin but the end of a string, too. */
    private static function isNothing(Position $p): bool
    {
        return $p->northing === 0.0 && $p->easting === 0.0 && ($p->elevation === null || $p->elevation === 0.0);
    }

    private static function isZero(string $name): bool
    {
        return is_numeric($name) && (float) $name === 0.0;
    }

    private static function columnOf(Layout $layout, Column $column): int
    {
        return (int) array_search($column, $layout->columns, true) + 1;
    }
}
