<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

use Parlay\Core\Formats\SpreadsheetCell;
use Parlay\Core\Points\Point;
use Parlay\Core\Units\LengthUnit;

/** Writes points as text, in the order, unit and separator of a layout; with a row of headings. */
final class PointTextWriter
{
    private const MARKS = [LengthUnit::Millimetre->value => 2, LengthUnit::Centimetre->value => 3, LengthUnit::Inch->value => 3];

    private const DECIMALS = 5;

    /**
     * @param  iterable<Point>  $points
     * @return \Generator<string> lines with their ends
     */
    public static function lines(iterable $points, Layout $layout): \Generator
    {
        yield self::line(array_map(static fn (Column $c) => in_array($c, [Column::Northing, Column::Easting, Column::Elevation], true)
            ? "{$c->value} [{$layout->unit->value}]"
            : $c->value, $layout->columns), $layout);
        foreach ($points as $p) {
            yield self::line(array_map(static fn (Column $c) => match ($c) {
                Column::Name => SpreadsheetCell::write($p->name),
                Column::Northing => self::number($p->position->northing, $layout),
                Column::Easting => self::number($p->position->easting, $layout),
                Column::Elevation => $p->position->elevation === null ? '' : self::number($p->position->elevation, $layout),
                Column::Code => SpreadsheetCell::write($p->code),
                Column::Description => SpreadsheetCell::write($p->description),
                default => '',
            }, $layout->columns), $layout);
        }
    }

    private static function number(float $metres, Layout $layout): string
    {
        $text = sprintf('%.'.(self::MARKS[$layout->unit->value] ?? self::DECIMALS).'F', $metres / $layout->unit->metres());

        return $layout->decimalMark === ',' ? str_replace('.', ',', $text) : $text;
    }

    /** @param  list<string>  $cells */
    private static function line(array $cells, Layout $layout): string
    {
        $separator = $layout->separator === Layout::BLANKS ? "\t" : $layout->separator;
        $quoted = array_map(
            static fn (string $c) => strpbrk($c, "\"\n\r$separator") !== false || trim($c) !== $c ? '"'.str_replace('"', '""', $c).'"' : $c,
            $cells,
        );

        return implode($separator, $quoted)."\r\n";
    }
}
