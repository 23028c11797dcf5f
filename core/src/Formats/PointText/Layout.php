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
     * @param  list<Column>  $columns  in the order of the file
     */
    public function __construct(
        public string $separator,
        public string $decimalMark,
        public int $skip,
        public array $columns,
        public LengthUnit $unit,
    ) {
        if ($separator === $decimalMark) {
            throw UnreadablePoints::markIsSeparator($separator);
        }
        foreach ([Column::Name, Column::Northing, Column::Easting] as $needed) {
            if (! in_array($needed, $columns, true)) {
                throw UnreadablePoints::columnMissing($needed);
            }
        }
        foreach (Column::cases() as $column) {
            if ($column !== Column::Ignored && count(array_keys($columns, $column, true)) > 1) {
                throw UnreadablePoints::columnTwice($column);
            }
        }
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

        return array_map(static fn (?string $cell) => trim((string) $cell), str_getcsv($line, $separator, '"', ''));
    }
}
