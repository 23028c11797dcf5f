<?php

declare(strict_types=1);

namespace App\Points;

use App\Points\Models\Code;
use App\Projects\Models\Project;
use Parlay\Core\Formats\SpreadsheetCell;
use Parlay\Core\Units\Decimal;
use Parlay\Core\Units\LengthUnit;

/** The meanings of codes as a table (CSV), its columns known by their headings; tolerances say their unit there. */
final class CodeList
{
    private const MOST = 5000;

    private const PLAN = 'plan tolerance';

    private const HEIGHT = 'height tolerance';

    /** Up from the design, where that is not what is allowed down. */
    private const ABOVE = 'tolerance above';

    /** What a row of the database calls them. */
    private const STORED = [
        'description' => 'description', 'trade' => 'trade', 'colour' => 'colour', 'mark' => 'mark', self::PLAN => 'plan_tolerance', self::HEIGHT => 'height_tolerance',
        self::ABOVE => 'above_tolerance',
    ];

    private const LENGTHS = [self::PLAN, self::HEIGHT, self::ABOVE];

    private const COLUMNS = ['code', 'description', 'trade', 'colour', 'mark', ...self::LENGTHS];

    /** @param  resource  $out */
    public static function write(Project $project, $out): void
    {
        $unit = $project->length_style->unit();
        // A byte order mark, without which spreadsheets read umlauts wrongly.
        fwrite($out, "\u{FEFF}");
        fputcsv($out, array_map(static fn (string $c): string => in_array($c, self::LENGTHS, true) ? "$c [{$unit->value}]" : $c, self::COLUMNS), ',', '"', '');
        $length = static fn (?float $metres): string => $metres === null
            ? ''
            : rtrim(rtrim(number_format($metres / $unit->metres(), 6, '.', ''), '0'), '.');
        foreach (Code::of($project)->orderBy('code')->get() as $c) {
            fputcsv($out, [...array_map(SpreadsheetCell::write(...), [$c->code, $c->description, $c->trade, $c->colour ?? '', $c->mark]),
                $length($c->plan_tolerance), $length($c->height_tolerance), $length($c->above_tolerance)], ',', '"', '');
        }
    }

    /**
     * @return list<TypedCode>
     *
     * @throws \DomainException with the line, what is wrong of it, and what would do
     */
    public static function read(string $text): array
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw new \DomainException('The file is not in UTF-8. Save it as “CSV UTF-8”.');
        }
        $text = (string) preg_replace('~^\x{FEFF}~u', '', $text);
        $lines = preg_split('~\R~', $text) ?: [];
        $separator = self::separator($lines[0] ?? '');
        [$places, $units] = self::headings(self::cells($lines[0] ?? '', $separator));
        $codes = $seen = [];
        foreach (array_slice($lines, 1, null, true) as $i => $line) {
            if (trim($line, " \t;,") === '') {
                continue;
            }
            if (count($codes) >= self::MOST) {
                throw new \DomainException('More than '.self::MOST.' codes are too many for one list.');
            }
            if (preg_match('~(?:^|'.$separator.')\s*"(?:[^"]|"")*$~', $line) === 1) {
                throw new \DomainException('Line '.($i + 1).': a cell begins with a quote that does not end on its line. Write it on one line, or take the quote out.');
            }
            $code = self::code(self::cells($line, $separator), $places, $units, $i + 1);
            if (isset($seen[$code->code])) {
                throw new \DomainException("Line {$seen[$code->code]} and line ".($i + 1)." both say what “{$code->code}” means. Keep one of them.");
            }
            $seen[$code->code] = $i + 1;
            $codes[] = $code;
        }

        return $codes === [] ? throw new \DomainException('There is no code in it: below its headings it is empty.') : $codes;
    }

    /** @return list<string> the columns of a code, as they are stored, that a list says something of */
    public static function said(string $text): array
    {
        $first = (preg_split('~\R~', (string) preg_replace('~^\x{FEFF}~u', '', $text), 2) ?: [''])[0];
        [$places] = self::headings(self::cells($first, self::separator($first)));

        return array_values(array_intersect_key(self::STORED, $places));
    }

    private static function separator(string $headings): string
    {
        foreach (["\t", ';'] as $separator) {
            if (str_contains($headings, $separator)) {
                return $separator;
            }
        }

        return ',';
    }

    /** @return list<string> */
    private static function cells(string $line, string $separator): array
    {
        return array_map(
            static fn (?string $c) => SpreadsheetCell::read(trim((string) $c)), str_getcsv($line, $separator, '"', ''),
        );
    }

    /**
     * @param  list<string>  $headings
     * @return array{array<string, int>, array<string, LengthUnit>}
     */
    private static function headings(array $headings): array
    {
        $places = $units = [];
        foreach ($headings as $i => $heading) {
            preg_match('~^(.*?)\s*(?:\[(.*)\])?$~u', mb_strtolower($heading), $m);
            $name = $m[1] ?? '';
            if (! in_array($name, self::COLUMNS, true)) {
                continue;
            }
            $places[$name] = $i;
            if (in_array($name, self::LENGTHS, true)) {
                $units[$name] = LengthUnit::tryFrom($m[2] ?? '') ?? throw new \DomainException(
                    "The heading “{$heading}” does not say its unit. Write it as “{$name} [m]”, or [mm], [ft], [usft].",
                );
            }
        }

        return isset($places['code']) ? [$places, $units] : throw new \DomainException(
            'Line 1 has no heading “code”. Its headings are: '.implode(', ', self::COLUMNS).'; all but the code may be missing.',
        );
    }

    /**
     * @param  list<string>  $cells
     * @param  array<string, int>  $places
     * @param  array<string, LengthUnit>  $units
     */
    private static function code(array $cells, array $places, array $units, int $line): TypedCode
    {
        $cell = static fn (string $column): string => isset($places[$column]) ? $cells[$places[$column]] ?? '' : '';
        $length = static function (string $column) use ($cell, $units, $places, $line): ?float {
            // No tolerance has thousands in it: a comma or a point in it is a decimal mark, whichever the list is written with.
            $text = str_replace(',', '.', $cell($column));
            if ($text === '') {
                return null;
            }
            $metres = preg_match('~^\d*\.?\d+$~', $text) === 1 ? Decimal::read($text, '.', $units[$column]) : null;

            return is_float($metres) ? $metres : throw new \DomainException(
                "Line {$line}, column ".($places[$column] + 1).": “{$cell($column)}” is no number. Write it as 0.005 or 0,005, or leave it empty.",
            );
        };
        $typed = new TypedCode(
            $cell('code'), $cell('description'), $cell('colour') === '' ? null : $cell('colour'), $cell('mark'), $cell('trade'),
            $length(self::PLAN), $length(self::HEIGHT), aboveTolerance: $length(self::ABOVE),
        );
        try {
            Code::check($typed);
        } catch (\DomainException $e) {
            throw new \DomainException("Line {$line}: ".lcfirst($e->getMessage()));
        }

        return $typed;
    }
}
