<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\PointText;

/**
 * Reads lists of station, offset, name, code, as they are pasted from a spreadsheet. A station is a number or 1+234.5; an offset has a sign,
 * whose meaning the list does not tell, or says its side in a letter or word.
 */
final class StationRows
{
    private const MOST = 5000;

    private const SIDES = ['l' => -1, 'left' => -1, 'lt' => -1, 'r' => 1, 'right' => 1, 'rt' => 1];

    /**
     * @param  bool  $positiveRight  what a sign means where the side is not said in words
     * @return list<StationRow> one for each line that says something
     *
     * @throws UnreadablePoints where there are more lines than anybody pastes
     */
    public static function read(string $text, bool $positiveRight): array
    {
        $rows = [];
        $lines = preg_split('~\r\n|\r|\n~', mb_scrub($text)) ?: [];
        if (count($lines) > self::MOST) {
            throw UnreadablePoints::tooManyRows(self::MOST);
        }
        foreach ($lines as $i => $line) {
            if (trim($line) === '') {
                continue;
            }
            $row = self::row($i + 1, self::cells($line), $positiveRight);
            // A first line without any figure is the heading.
            if ($row->fault === null || $rows !== [] || preg_match('~\d~', $line) === 1) {
                $rows[] = $row;
            }
        }

        return $rows;
    }

    /** @return list<string> */
    private static function cells(string $line): array
    {
        $mark = match (true) {
            str_contains($line, "\t") => "\t",
            str_contains($line, ';') => ';',
            // With a decimal comma there are blanks between the columns.
            preg_match('~^\s*[^,\s]*\d,\d+\s+[-+\d]~', $line) === 1 => ' ',
            str_contains($line, ',') => ',',
            default => ' ',
        };
        $cells = $mark === ' ' ? preg_split('~\s+~', trim($line)) : explode($mark, $line);

        return array_map(trim(...), $cells ?: []);
    }

    /** @param  list<string>  $cells */
    private static function row(int $line, array $cells, bool $positiveRight): StationRow
    {
        $station = self::station($cells[0]);
        if ($station === null) {
            return new StationRow($line, fault: sprintf('“%s” is no station', mb_substr($cells[0], 0, 30)));
        }
        $rest = array_slice($cells, 1);
        [$right, $used] = self::offset($rest, $positiveRight);
        if ($right === null) {
            return new StationRow($line, fault: sprintf('“%s” is no offset', mb_substr($rest[0] ?? '', 0, 30)));
        }
        $rest = array_slice($rest, $used);

        return new StationRow($line, $station, $right, mb_substr($rest[0] ?? '', 0, 200), mb_substr($rest[1] ?? '', 0, 60));
    }

    /** 1234.5, 1+234.5 or 1+234,5; null where it is none. */
    public static function station(string $text): ?float
    {
        $text = str_replace(',', '.', trim($text));
        if (preg_match('~^(-?)(\d+)\+(\d+(?:\.\d*)?)$~', $text, $m) === 1) {
            $width = strlen(explode('.', $m[3])[0]);
            $value = (float) $m[2] * 10 ** $width + (float) $m[3];

            return $m[1] === '-' ? -$value : $value;
        }

        return is_numeric($text) && is_finite((float) $text) ? (float) $text : null;
    }

    /**
     * @param  list<string>  $cells  after the station
     * @return array{float|null, int} the offset, and how many cells say it
     */
    private static function offset(array $cells, bool $positiveRight): array
    {
        $text = strtolower(str_replace(',', '.', $cells[0] ?? ''));
        if (preg_match('~^([lr]|left|right|lt|rt)?\s*([-+]?\d+(?:\.\d*)?|[-+]?\.\d+)\s*([lr]|left|right|lt|rt)?$~', $text, $m) !== 1) {
            return [null, 0];
        }
        $value = (float) $m[2];
        $word = $m[1] !== '' ? $m[1] : ($m[3] ?? '');
        $next = strtolower($cells[1] ?? '');
        if ($word === '' && isset(self::SIDES[$next])) {
            return [abs($value) * self::SIDES[$next], 2];
        }

        return [$word !== '' ? abs($value) * self::SIDES[$word] : ($positiveRight ? $value : -$value), 1];
    }
}
