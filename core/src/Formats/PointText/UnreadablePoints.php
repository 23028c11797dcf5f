<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

/** The file as a whole can't be read as points. */
final class UnreadablePoints extends \DomainException
{
    public static function empty(): self
    {
        return new self('The file is empty. Choose the text file with one point in each row.');
    }

    public static function notText(string $kind): self
    {
        return new self("This is $kind, not a text file. Ask for the control as CSV or text, one point in each row.");
    }

    public static function lineTooLong(int $line, int $limit): self
    {
        return new self("Line $line is longer than $limit bytes, which no list of points has. This is probably another kind of file.");
    }

    public static function tooManyColumns(int $line, int $columns, int $limit): self
    {
        return new self(
            "Line $line has $columns columns; a list of points has at most $limit. Check the separator, or whether this is another kind of file.",
        );
    }

    public static function markIsSeparator(string $mark): self
    {
        return new self("“{$mark}” can't be both the separator and the decimal mark. Change one of them.");
    }

    public static function columnMissing(Column $column): self
    {
        return new self("No column is read as {$column->value}. Say which one it is.");
    }

    public static function columnTwice(Column $column): self
    {
        return new self("Two columns are read as {$column->value}. Set one of them to ignored.");
    }

    public static function brokenXml(int $line, string $why): self
    {
        return new self("Line $line: the file is no whole XML ($why). It was cut off or changed on its way; ask for it again.");
    }

    public static function definesNames(int $line): self
    {
        return new self("Line $line: "
            .'the file begins with definitions of its own (<!DOCTYPE …>), which LandXML has no use for and which can be made to fill '
                .'the memory. Nothing was read. Take out all between <!DOCTYPE and its >, or ask for the file without it.');
    }

    public static function brokenJson(int $feature, string $why): self
    {
        return new self(sprintf(
            'About feature %d: the file is no whole GeoJSON feature collection (%s). Ask for it again.', $feature,
            mb_substr(mb_scrub($why), 0, 120),
        ));
    }

    public static function tooManyRows(int $limit): self
    {
        return new self("The file has more than $limit rows. Split it.");
    }
}
