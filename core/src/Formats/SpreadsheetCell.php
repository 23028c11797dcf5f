<?php

declare(strict_types=1);

namespace Parlay\Core\Formats;

/** A text cell in a table for spreadsheets, which would run one that begins like a formula: it stands there with an apostrophe before it. */
final class SpreadsheetCell
{
    public static function write(string $text): string
    {
        return preg_match('~^[=+\-@\t\r]~', $text) === 1 ? "'$text" : $text;
    }

    public static function read(string $cell): string
    {
        return (string) preg_replace("~^'(?=[=+\-@\t\r])~", '', $cell);
    }
}
