<?php

declare(strict_types=1);

namespace App\Reports;

use App\Civil\Stations;
use App\Instrument\Reading;
use App\Projects\Models\Project;
use App\Reports\Models\TableLayout;
use Parlay\Core\Formats\SpreadsheetCell;
use Parlay\Core\Stakeout\Acceptance;
use Parlay\Core\Stakeout\HiddenMethod;
use Parlay\Core\Units\CoordinateOrder;

/** The report's table for a spreadsheet: plain numbers in the project's length unit, cells that would run as formulas made safe. */
final class ReportCsv
{
    /** @return list<string> the headings, with their units */
    public static function header(Project $project): array
    {
        $u = " [{$project->length_style->unit()->value}]";
        $pair = static fn (string $a, string $n, string $e): array => $project->coordinate_order === CoordinateOrder::NorthingEasting
            ? ["$a $n", "$a $e"] : ["$a $e", "$a $n"];

        return ['name', 'code', 'kind', ...$pair(
            'design', "northing$u", "easting$u",
        ), "design elevation$u", ...$pair('found', "northing$u", "easting$u"), "found elevation$u",
            "dN$u", "dE$u", "dH$u", "horizontal deviation$u", "plan tolerance$u",
            "height tolerance$u", "tolerance above$u", 'verdict', 'judged', 'counts', 'time (UTC)', 'setup', 'design source',
            'target', "distance along$u", "distance to the end$u", "offset$u", 'side of the line', 'parallel', 'piece', 'left so', 'note',
            'station', 'station region', "offset from axis$u", 'element', 'part', 'surface', "above it$u", ...$pair('issued', "northing$u", "easting$u"), "issued elevation$u", "marked beside it by$u",
            ...self::traceHeader($u),
            "plan uncertainty 95 %$u", "height uncertainty 95 %$u", 'plan conforms with', 'height conforms with', 'conformity', 'rule'];
    }

    /**
     * By a layout only its columns.
     *
     * @param  resource  $out
     */
    public static function writeBy(?TableLayout $layout, Report $report, $out): void
    {
        if ($layout === null) {
            self::write($report, $out);

            return;
        }
        $whole = tmpfile() ?: throw new \RuntimeException('No temporary file.');
        self::write($report, $whole);
        rewind($whole);
        TableColumns::copy($whole, $out, $layout->names());
        fclose($whole);
    }

    /** @param  resource  $out */
    public static function write(Report $report, $out): void
    {
        $unit = $report->project->length_style->unit();
        // A byte order mark, without which spreadsheets read umlauts wrongly.
        fwrite($out, "\u{FEFF}");
        fputcsv($out, self::header($report->project), ',', '"', '');
        $n = static fn (?float $metres): string => $metres === null ? '' : number_format($metres / $unit->metres(), 4, '.', '');
        $order = static fn (?float $northing, ?float $easting): array => $report->project->coordinate_order === CoordinateOrder::NorthingEasting
            ? [$n($northing), $n($easting)] : [$n($easting), $n($northing)];
        foreach ([...$report->rows, ...$report->checks] as $r) {
            $m = $r->mark;
            fputcsv($out, [
                SpreadsheetCell::write($m->name), SpreadsheetCell::write($m->code), $r->kind(),
                ...$order($r->design?->northing, $r->design?->easting), $n($r->design?->elevation),
                ...$order($r->found->northing, $r->found->easting), $n($r->found->elevation),
                $n($r->deviation?->northing), $n($r->deviation?->easting), $n($r->deviation?->height), $n($r->deviation?->plan),
                $n($m->plan_tolerance), $n($m->height_tolerance), $n($m->above_tolerance), $m->verdict, $r->judged(),
                $r->replaced ? 'replaced' : 'yes', $r->at, (string) $m->setup->number, SpreadsheetCell::write($m->design_source),
                ...self::aimed($r, $n, $report->project),
                ...$order($m->issued_northing, $m->issued_easting), $n($m->issued_elevation), $n($m->movedBy()), ...self::trace($r, $unit->metres()), ...self::conformance($r, $n),
            ], ',', '"', '');
        }
    }

    /** @return list<string> */
    private static function traceHeader(string $u): array
    {
        return [...Reading::header($u), "setup northing$u", "setup easting$u", "setup elevation$u", 'orientation [deg]', "instrument height$u",
            "behind the prism$u", "right of the prism$u", "above the prism$u", 'found from', 'other readings', "first tape$u", "second tape$u"];
    }

    /**
     * From which its place can be worked out by hand: to a hundredth of a millimetre.
     *
     * @param  float  $unit  metres
     * @return list<string>
     */
    private static function trace(ReportRow $r, float $unit): array
    {
        if ($r->trace === null) {
            return array_fill(0, count(self::traceHeader('')), '');
        }
        $s = $r->trace->setup;
        $n = static fn (?float $metres): string => $metres === null ? '' : number_format($metres / $unit, 6, '.', '');

        return [
            ...$r->trace->reading->cells($unit),
            $n($s->northing), $n($s->easting), $n($s->elevation), number_format(rad2deg($s->orientation), 8, '.', ''), $n($s->instrument_height),
            $n($r->offset()?->behind), $n($r->offset()?->right), $n($r->offset()?->up), ...self::hidden($r, $n),
        ];
    }

    /**
     * @param  callable(?float): string  $n
     * @return list<string>
     */
    private static function hidden(ReportRow $r, callable $n): array
    {
        $from = $r->mark->foundFrom();

        return $from === null ? ['', '', '', ''] : [
            $from->shot->method->value.($from->shot->method === HiddenMethod::TwoTapes ? ($from->shot->right ? ' right' : ' left') : ''), implode(' ', $from->more),
            $n($from->shot->first), $n($from->shot->second),
        ];
    }

    /**
     * @param  callable(?float): string  $n
     * @return list<string>
     */
    private static function conformance(ReportRow $r, callable $n): array
    {
        $c = $r->conformance;
        $p = static fn (?float $probability): string => $probability === null ? '' : number_format($probability, 4, '.', '');

        return [
            $n($c?->planUncertain), $n($c?->heightUncertain), $p($c?->plan), $p($c?->height), $c?->conformity->value ?? '',
            $c === null ? '' : ($c->acceptance === Acceptance::Simple ? 'simple' : sprintf('guarded %g', $c->level)),
        ];
    }

    /**
     * What a mark was made to besides a prepared point.
     *
     * @param  callable(?float): string  $n
     * @return list<string>
     */
    private static function aimed(ReportRow $r, callable $n, Project $project): array
    {
        $a = $r->mark->aimed();
        $side = $a?->offset === null || $a->offset === 0.0 ? '' : ($a->offset < 0.0 ? 'left' : 'right');

        return [
            SpreadsheetCell::write((string) $a?->name), $n($a?->along), $n($a?->toEnd), $n($a?->offset === null ? null : abs($a->offset)), $side,
            SpreadsheetCell::write($r->parallel()), $a?->piece === null ? '' : (string) $a->piece, $r->mark->left_so ? 'yes' : '',
            SpreadsheetCell::write($r->mark->note),
            $a?->station === null ? '' : Stations::figure($project, $a->station), (string) $a?->region,
            $a?->axisOffset === null ? '' : $n(abs($a->axisOffset)).($a->axisOffset < 0.0 ? ' left' : ' right'), (string) $a?->element,
            SpreadsheetCell::write((string) $a?->part), SpreadsheetCell::write((string) $a?->surface), $a === null || ! $a->kind->isCivil() ? '' : $n($a->verticalOffset),
        ];
    }
}
