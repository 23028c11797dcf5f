<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\RawText;

use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\AngleText;
use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\LengthText;
use Parlay\Core\Units\UnreadableText;

/**
 * Raw observations as plain text: a line for each reading with the point's name, horizontal circle, zenith angle and slope distance,
 * and the target's height where it changes. Columns are parted by semicolons, tabs or commas; a heading row names them in any order,
 * and without one they stand in this order.
 */
final class RawObservations
{
    private const LONGEST = 2_000;

    private const HEADINGS = [
        'name' => ['name', 'point', 'target', 'id'],
        'circle' => ['hz', 'circle', 'direction', 'horizontal'],
        'zenith' => ['v', 'zenith', 'vertical'],
        'slope' => ['sd', 'slope', 'distance'],
        'height' => ['th', 'target height', 'height'],
    ];

    private const USUAL = ['name' => 0, 'circle' => 1, 'zenith' => 2, 'slope' => 3, 'height' => 4];

    /** @var list<RawRow> */
    public array $rows = [];

    /** @var list<string> what could not be read, with its line */
    public array $problems = [];

    private function __construct(
        private readonly AngleStyle $angles,
        private readonly LengthStyle $lengths,
    ) {}

    /**
     * @param  AngleStyle  $angles  in which directions are written
     * @param  LengthStyle  $lengths  and distances
     */
    public static function read(string $text, AngleStyle $angles, LengthStyle $lengths): self
    {
        $self = new self($angles, $lengths);
        $lines = preg_split('~\R~u', preg_replace('~^\xEF\xBB\xBF~', '', $text) ?? $text, self::LONGEST + 1) ?: [];
        if (count($lines) > self::LONGEST) {
            $self->problems[] = sprintf('Line %d: only the first %s lines are read.', self::LONGEST, number_format(self::LONGEST));
            array_pop($lines);
        }
        $columns = null;
        foreach ($lines as $i => $line) {
            if (trim($line) === '' || str_starts_with(ltrim($line), '#')) {
                continue;
            }
            $cells = self::cells($line);
            $headings = $columns === null ? self::headings($cells) : null;
            $columns ??= $headings ?? self::USUAL;
            if ($headings === null) {
                $self->row($i + 1, $cells, $columns);
            }
        }

        return $self;
    }

    /**
     * @param  list<string>  $cells
     * @param  array<string, int>  $columns
     */
    private function row(int $line, array $cells, array $columns): void
    {
        $cell = static fn (string $what): string => trim($cells[$columns[$what] ?? -1] ?? '');
        try {
            if ($cell('name') === '' || $cell('circle') === '' || $cell('zenith') === '') {
                throw new \DomainException('a name, a horizontal circle reading and a zenith angle are needed.');
            }
            $zenith = AngleText::angle($cell('zenith'), $this->angles);
            if ($zenith <= 0.0 || $zenith >= 2 * M_PI || abs($zenith - M_PI) < 0.01) {
                throw new \DomainException(
                    "“{$cell('zenith')}” can’t be a zenith angle: level is a quarter turn, or three quarters on the second face.",
                );
            }
            $slope = $cell('slope') === '' ? 0.0 : $this->length($cell('slope'));
            if ($slope < 0.0 || $slope > 20_000.0) {
                throw new \DomainException("“{$cell('slope')}” can’t be a slope distance.");
            }
            $this->rows[] = new RawRow(
                $line, $cell('name'), new RawReading(AngleText::direction($cell('circle'), $this->angles), $zenith, $slope),
                $cell('height') === '' ? null : $this->length($cell('height')),
            );
        } catch (UnreadableText|\DomainException $e) {
            $this->problems[] = "Line $line: ".$e->getMessage();
        }
    }

    private function length(string $text): float
    {
        return LengthText::read($text, $this->lengths)[0] ?? throw new \DomainException("“{$text}” is no length.");
    }

    /** @return list<string> */
    private static function cells(string $line): array
    {
        $by = str_contains($line, ';') ? ';' : (str_contains($line, "\t") ? "\t" : ',');

        return array_map(static fn (?string $c) => (string) $c, str_getcsv($line, $by, '"', ''));
    }

    /**
     * @param  list<string>  $cells
     * @return array<string, int>|null null where the row is no heading
     */
    private static function headings(array $cells): ?array
    {
        $columns = [];
        foreach ($cells as $i => $cell) {
            foreach (self::HEADINGS as $what => $words) {
                if (in_array(mb_strtolower(trim($cell)), $words, true)) {
                    $columns[$what] ??= $i;
                }
            }
        }

        return isset($columns['circle'], $columns['zenith']) ? $columns : null;
    }
}
