<?php

declare(strict_types=1);

namespace App\Reports;

use App\PrintZone;
use Parlay\Core\Reports\IssuedMark;
use Parlay\Core\Units\LengthStyle;

/** The figures of a report as one HTML file that opens anywhere: a plan to zoom, rows to sort and to look into; nothing in it is fetched from elsewhere. */
final readonly class HtmlReport
{
    /** Columns of the frozen table that a row already tells, or that say nothing of how it was worked out. */
    private const TOLD = ['name', 'code', 'kind', 'verdict', 'judged', 'counts'];

    public static function of(IssuedFigures $issued, ?Stamp $stamp): string
    {
        $figures = new Figures($issued->units(), PrintZone::named($issued->head['zone']));
        $trace = self::trace($issued);

        return view('handed.report', [
            'head' => $issued->head, 'setups' => $issued->setups, 'marks' => $issued->marks, 'checks' => $issued->checks, 'stamp' => $stamp, 'figures' => $figures,
            'plan' => self::plan($issued->marks, $issued->units()->length), 'traceHead' => $trace['head'], 'trace' => $trace['rows'],
            'corrections' => $issued->corrections(),
            'counts' => array_count_values(array_map(static fn (IssuedMark $m): string => $m->verdict, $issued->marks)),
        ])->render();
    }

    /** @return array{head: list<string>, rows: list<list<string>>} of each mark that counts, in order, what the table says of it beside */
    private static function trace(IssuedFigures $issued): array
    {
        $in = fopen('php://temp', 'w+b') ?: throw new \RuntimeException('No memory.');
        fwrite($in, substr($issued->table, str_starts_with($issued->table, "\u{FEFF}") ? 3 : 0));
        rewind($in);
        $head = array_map(strval(...), fgetcsv($in, null, ',', '"', '') ?: []);
        $at = array_flip($head);
        $shown = array_values(array_diff(array_keys($head), array_map(static fn (string $told): int => $at[$told] ?? -1, self::TOLD)));
        $rows = [];
        while (($row = fgetcsv($in, null, ',', '"', '')) !== false) {
            if (($row[$at['counts']] ?? '') === 'yes' && ($row[$at['kind']] ?? '') !== 'check') {
                $rows[] = array_map(static fn (int $k): string => (string) ($row[$k] ?? ''), $shown);
            }
        }

        return ['head' => array_map(static fn (int $k): string => $head[$k], $shown), 'rows' => $rows];
    }

    /**
     * Places of the marks for the plan: metres from their middle, east and south (as a picture counts), how far off they were found, and how they came out.
     *
     * @param  list<IssuedMark>  $marks
     * @return array{marks: list<array{string, string, float, float, float, float}>, box: list<float>, times: float, unit: float, label: string}
     */
    private static function plan(array $marks, LengthStyle $style): array
    {
        $e = array_map(static fn (IssuedMark $m): float => (float) $m->found[1], $marks) ?: [0.0];
        $n = array_map(static fn (IssuedMark $m): float => (float) $m->found[0], $marks) ?: [0.0];
        [$east, $north] = [(max($e) + min($e)) / 2, (max($n) + min($n)) / 2];
        $wide = max(max($e) - min($e), max($n) - min($n), 1.0);
        $longest = max([0.0, ...array_map(static fn (IssuedMark $m): float => (float) $m->plan, $marks)]);
        $rows = [];
        foreach ($marks as $m) {
            $d = $m->deviation();
            $at = $m->designAt() ?? $m->foundAt();
            $rows[] = [$m->name, $m->verdict, round($at->easting - $east, 4), round($north - $at->northing, 4), round($d->easting ?? 0.0, 6), round(-($d->northing ?? 0.0), 6)];
        }

        return [
            'marks' => $rows, 'box' => [min($e) - $east, $north - max($n), max($e) - min($e), max($n) - min($n)],
            'times' => $longest === 0.0 ? 1.0 : max(1.0, RoundFigure::atMost(0.05 * $wide / $longest)), 'unit' => $style->unit()->metres(), 'label' => $style->unit()->label(),
        ];
    }
}
