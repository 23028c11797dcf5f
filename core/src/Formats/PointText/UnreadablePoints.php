<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

/** The file as a whole can't be read as points. */
final class UnreadablePoints extends \DomainException
{
    /** There is no point in the file. */
    public static function empty(): self
    {
        return new self('The file is empty. Choose the text file with one point in each row.');
    }

    /** @param  string  $kind  what the file is instead */
    public static function notText(string $kind): self
    {
        return new self("This is $kind, not a text file. Ask for the control as CSV or text, one point in each row.");
    }

    /** @param  int  $limit  characters */
    public static function lineTooLong(int $line, int $limit): self
    {
        return new self("Line $line is longer than $limit bytes, which no list of points has. This is probably another kind of file.");
    }

    /**
     * @param  int  $line  from 1
     * @param  int  $limit  columns
     */
    public static function tooManyColumns(int $line, int $columns, int $limit): self
    {
        return new self(
            "Line $line has $columns columns; a list of points has at most $limit. Check the separator, or whether this is another kind of file.",
        );
    }

    /** The decimal mark can't also stand between columns. */
    public static function markIsSeparator(string $mark): self
    {
        return new self("“{$mark}” can't be both the separator and the decimal mark. Change one of them.");
    }

    /** A column without which no place can be read. */
    public static function columnMissing(Column $column): self
    {
        return new self("No column is read as {$column->value}. Say which one it is.");
    }

    /** Two columns are said to hold the same. */
    public static function columnTwice(Column $column): self
    {
        return new self("Two columns are read as {$column->value}. Set one of them to ignored.");
    }

    /** @param  string  $sentences  what is wrong, and what to ask for */
    public static function because(string $sentences): self
    {
        return new self($sentences);
    }

    /** @param  int  $line  from 1 */
    public static function brokenXml(int $line, string $why): self
    {
        return new self("Line $line: the file is no whole XML ($why). It was cut off or changed on its way; ask for it again.");
    }

    /** @param  int  $line  of the entity definition, which is refused */
    public static function definesNames(int $line): self
    {
        return new self("Line $line: "
            .'the file begins with definitions of its own (<!DOCTYPE …>), which LandXML has no use for and which can be made to fill '
                .'the memory. Nothing was read. Take out all between <!DOCTYPE and its >, or ask for the file without it.');
    }

    /** @param  int  $feature  number of the feature, from 1 */
    public static function brokenJson(int $feature, string $why): self
    {
        return new self(sprintf(
            'About feature %d: the file is no whole GeoJSON feature collection (%s). Ask for it again.', $feature,
            mb_substr(mb_scrub($why), 0, 120),
        ));
    }

    /** @param  int  $limit  rows */
    public static function tooManyRows(int $limit): self
    {
        return new self("The file has more than $limit rows. Split it.");
    }
}
