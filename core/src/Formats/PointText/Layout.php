<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

use Parlay\Core\Units\LengthUnit;

/** How a point file is to be read. */
final readonly class Layout
{
    public const BLANKS = 'blanks';

    /**
     * @param  string  $separator  one of , ; tab | or "blanks" for any run of white space
     * @param  string  $decimalMark  . or ,
     * @param  int  $skip  rows before the first point
     * @param  list<Column>  $columns  in the order of the file; without a name, points are numbered by the line they stand in
     * @param  list<string>  $headings  of the columns, where the file has them
     */
    public function __construct(
        public string $separator,
        public string $decimalMark,
        public int $skip,
        public array $columns,
        public LengthUnit $unit,
        public array $headings = [],
    ) {
        if ($separator === $decimalMark) {
            throw UnreadablePoints::markIsSeparator($separator);
        }
        foreach ([Column::Northing, Column::Easting] as $needed) {
            if (! in_array($needed, $columns, true)) {
                throw UnreadablePoints::columnMissing($needed);
            }
        }
        foreach (Column::cases() as $column) {
            if ($column !== Column::Ignored && $column !== Column::Attribute && count(array_keys($columns, $column, true)) > 1) {
                throw UnreadablePoints::columnTwice($column);
            }
        }
    }

    /** The same with northing and easting exchanged. */
    public function exchanged(): self
    {
        return new self($this->separator, $this->decimalMark, $this->skip, array_map(static fn (Column $c) => match ($c) {
            Column::Northing => Column::Easting, Column::Easting => Column::Northing, default => $c,
        }, $this->columns), $this->unit, $this->headings);
    }

    /** The same list read in another unit. */
    public function in(LengthUnit $unit): self
    {
        return new self($this->separator, $this->decimalMark, $this->skip, $this->columns, $unit, $this->headings);
    }

    /** Whether the file itself says that its places are latitudes and longitudes. */
    public function saysDegrees(): bool
    {
        return array_filter(
            $this->headings,
            static fn (string $h) => preg_match('~^\W*(?:lat|lon|lng|long|latitude|longitude|breitengrad|längengrad)\b~iu', $h) === 1,
        ) !== [];
    }

    /** What files of one shape have in common, so that what was told of one holds for the next: separator, number of columns, headings. */
    public static function shapeOf(string $separator, int $width, string $heading): string
    {
        return substr(hash('sha256', "$separator|$width|".mb_strtolower(preg_replace('~\s+~u', ' ', trim($heading)) ?? '')), 0, 32);
    }

    /** @return list<string> cells as written, without the quotes around them */
    public function cells(string $line): array
    {
        return self::split($line, $this->separator);
    }

    /** @return list<string> */
    public static function split(string $line, string $separator): array
    {
        if ($separator === self::BLANKS) {
            return preg_split('~\s+~u', trim($line)) ?: [];
        }

        return array_map(
            static fn (?string $cell) => trim(preg_replace('~\s*\R\s*~u', ' ', (string) $cell) ?? (string) $cell),
            str_getcsv($line, $separator, '"', ''),
        );
    }
}
