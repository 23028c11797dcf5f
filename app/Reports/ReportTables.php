<?php

declare(strict_types=1);

namespace App\Reports;

use App\Control\Models\ControlPoint;
use App\Reports\Models\ReportIssue;
use App\Setups\Models\Setup;
use App\Setups\SetupMethod;
use App\Stakeout\BuiltPart;
use App\Stakeout\Lean;
use App\Tasks\Progress;
use Illuminate\Support\Collection;
use Parlay\Core\Reports\MarkChange;
use Parlay\Core\Reports\MarkChangeKind;
use Parlay\Core\Stakeout\Conformity;
use Parlay\Core\Units\Side;
use Parlay\Words\Cautions;

/** The tables of a report that may be long, a row at a time. */
final readonly class ReportTables
{
    public function __construct(private Report $report, private Figures $figures, private Progress $progress) {}

    /**
     * What the setups stand on, as it is kept today.
     *
     * @param  Collection<int, ControlPoint>  $control
     */
    public function control(Collection $control): LongTable
    {
        [$a, $b] = $this->figures->order();

        return new LongTable('Control', [
            new Column(['name'], 0.2, bold: true), new Column([$a], 0.17, true), new Column([$b], 0.17, true), new Column(['elevation'], 0.13, true),
            new Column(['standard deviation', 'plan / height'], 0.17, true), new Column(['where from'], 0.16),
        ], $control->map(fn (ControlPoint $c): array => ['cells' => $this->controlCells($c)])->all());
    }

    /** @return list<list<string>> */
    public function controlCells(ControlPoint $c): array
    {
        $f = $this->figures;
        [$a, $b] = $f->order();
        $from = ['listed' => 'given', 'station' => 'stood on', 'measured' => 'measured'][$c->origin->value];

        return [
            [$c->name], [$f->length($c->$a)], [$f->length($c->$b)], [$f->length($c->elevation)],
            $c->held_fixed ? ['held fixed'] : [$f->deviation($c->plan_deviation, 'not given'), $f->deviation($c->height_deviation, 'not given')], [$from],
        ];
    }

    /**
     * How faces and axes were built, from all shots on each.
     *
     * @param  list<BuiltPart>  $parts
     */
    public function built(array $parts): LongTable
    {
        return new LongTable('Faces and axes, from all shots on each', [
            new Column(['name'], 0.26, bold: true), new Column(['shots'], 0.07, true), new Column(['before its design', 'least / most'], 0.17, true), new Column(['flat within', 'a flat one shows'], 0.14, true),
            new Column(['out of plumb', '± 95 %, over the height'], 0.22, true), new Column(['verdict'], 0.14, true),
        ], array_map(fn (BuiltPart $p): array => ['cells' => $this->builtCells($p)], $parts));
    }

    /** @return list<list<string>> */
    private function builtCells(BuiltPart $p): array
    {
        $f = $this->figures;
        $called = static fn (string $what, ?Conformity $c): array => $c === null ? [] : [['inside' => '●', 'outside' => '▲', 'close' => '◆'][$c->value]." $what ".['inside' => 'in', 'outside' => 'OUT', 'close' => 'too close'][$c->value]];
        $leans = array_map(static fn (Lean $l): string => $f->deviation($l->metres).' '.$l->toward, $p->leans);

        return [
            [$p->name], [(string) count($p->shots)], $p->least === null ? ['–'] : [$f->deviation($p->least), $f->deviation($p->most)],
            $p->bow === null ? ['–'] : [$f->deviation($p->bow), $f->deviation($p->bowByChance)],
            $leans === [] ? ['–'] : [...$leans, $f->uncertain($p->uncertain).', '.$f->length($p->height)],
            [...$called('plumb', $p->plumbConforms), ...$called('flat', $p->flatConforms)],
        ];
    }

    public function marks(): LongTable
    {
        [$a, $b] = $this->figures->order();

        return new LongTable('Marks', [
            new Column(['name'], 0.105), new Column(['code'], 0.09), new Column(['kind'], 0.065),
            new Column([$a, 'design / found'], 0.135, true), new Column([$b, 'design / found'], 0.135, true),
            new Column(['elevation', 'design / found'], 0.105, true), new Column(['found from', 'design'], 0.12, true),
            new Column(['height', '± 95 %'], 0.1, true), new Column(['plan', '± 95 %'], 0.075, true), new Column(['verdict'], 0.08, true),
        ], $this->markRows($a, $b), 'No marks have been stored yet.');
    }

    /** @param  list<MarkChange>  $changes */
    public function changes(ReportIssue $former, array $changes): LongTable
    {
        return new LongTable("Changed since report {$former->number} of {$this->figures->time($former->at)}", [
            new Column(['name'], 0.2, bold: true), new Column(['what became of it'], 0.26), new Column(['plan', 'then / now'], 0.16, true),
            new Column(['height', 'then / now'], 0.16, true), new Column(['verdict', 'then / now'], 0.22, true),
        ], $this->changeRows($changes));
    }

    /**
     * @param  list<MarkChange>  $changes
     * @return \Generator<array{cells: list<list<string>>, bold: bool}>
     */
    private function changeRows(array $changes): \Generator
    {
        $f = $this->figures;
        $called = ['in' => '● in', 'out' => '▲ OUT', 'close' => '◆ too close to call', 'undecided' => '○ not judged'];
        foreach ($changes as $c) {
            yield ['bold' => $c->isTurned(), 'cells' => [
                [$c->name()], [self::became($c->kind)], [$f->deviation($c->before?->plan), $f->deviation($c->after?->plan)],
                [$f->deviation($c->before?->height), $f->deviation($c->after?->height)],
                [$called[$c->before?->verdict] ?? '–', $called[$c->after?->verdict] ?? '–'],
            ]];
        }
    }

    /** @param  list<CorrectionEntry>  $corrections */
    public function corrections(array $corrections): LongTable
    {
        return new LongTable('Corrections', [
            new Column(['time'], 0.16), new Column(['what was corrected'], 0.3, bold: true), new Column(['why, and by whom'], 0.3),
            new Column(['marks', 'moved at most'], 0.14, true), new Column(['told otherwise', 'in reports'], 0.1, true),
        ], array_map($this->correction(...), $corrections));
    }

    /** @return array{cells: list<list<string>>, bold: bool} */
    private function correction(CorrectionEntry $c): array
    {
        $f = $this->figures;

        return ['bold' => $c->turned > 0, 'cells' => [
            [$f->time($c->at)], [CorrectionWords::of($c, $f)], [implode(', ', array_filter([$c->note, $c->by]))],
            $c->marks === 0 ? ['–'] : [(string) $c->marks, $f->deviation($c->plan), ...($c->turned === 0 ? [] : ["{$c->turned} turned"])],
            [$c->reports === [] ? '–' : implode(', ', $c->reports)],
        ]];
    }

    private static function became(MarkChangeKind $kind): string
    {
        return match ($kind) {
            MarkChangeKind::New => 'new', MarkChangeKind::Gone => 'struck, or no longer covered', MarkChangeKind::MarkedAgain => 'marked again',
            MarkChangeKind::Corrected => 'corrected', MarkChangeKind::JudgedOtherwise => 'judged by another rule', MarkChangeKind::Renamed => 'renamed',
        };
    }

    public function checks(): LongTable
    {
        return new LongTable('Check shots', [
            new Column(['check shot on'], 0.2), new Column(['time'], 0.2), new Column(['setup'], 0.08), new Column(
                ['north or south'], 0.15, true,
            ), new Column(['east or west'], 0.15, true), new Column(['plan'], 0.1, true), new Column(['height'], 0.12, true),
        ], $this->checkRows());
    }

    /** @param  Collection<int, Setup>  $setups */
    public function setups(Collection $setups): LongTable
    {
        return new LongTable('Further setups', [
            new Column(['sight'], 0.2), new Column(['used'], 0.08), new Column(['direction'], 0.18, true),
            new Column(['across'], 0.18, true), new Column(['distance'], 0.18, true), new Column(['height'], 0.18, true),
        ], $this->setupRows($setups));
    }

    /** @return \Generator<array{cells?: list<list<string>>, span?: string, bold?: bool, quiet?: bool}> */
    private function markRows(string $a, string $b): \Generator
    {
        $f = $this->figures;
        $count = max(1, count($this->report->rows));
        foreach ($this->report->rows as $i => $r) {
            $this->progress->tell(0.2 + 0.75 * $i / $count, 'writing the marks');
            $d = $r->deviation;
            yield ['bold' => $r->mark->verdict === 'out' && ! $r->replaced, 'quiet' => $r->replaced, 'cells' => [
                array_values(array_filter([$r->mark->name, $f->aimed($r->mark->aimed())])), [$r->mark->code], [$r->kind()],
                [$f->length($r->design?->$a), $f->length($r->found->$a)], [
                    $f->length($r->design?->$b), $f->length($r->found->$b),
                ], [$f->length($r->design?->elevation), $f->length($r->found->elevation)],
                [$f->sided(Side::Northing, $d?->northing, '–'), $f->sided(Side::Easting, $d?->easting, '–')],
                self::figure($f->judgedHeight($d?->height, $r->tolerance()), $f->uncertain($r->conformance?->heightUncertain)),
                self::figure($f->judged($d?->plan, $r->tolerance()->plan), $f->uncertain($r->conformance?->planUncertain)), array_values(array_filter([$r->verdict(), $r->verdictNotes()])),
            ]];
            if ($r->mark->note !== '') {
                yield ['span' => "{$r->mark->name}: “".preg_replace('~\s+~u', ' ', $r->mark->note).'”'];
            }
        }
    }

    /** @return list<string> */
    private static function figure(string $figure, string $uncertain): array
    {
        return $uncertain === '' ? [$figure] : [$figure, $uncertain];
    }

    /** @return \Generator<array{cells: list<list<string>>}> */
    private function checkRows(): \Generator
    {
        $f = $this->figures;
        foreach ($this->report->checks as $c) {
            $this->progress->tell(0.15, 'writing the checks');
            $d = $c->deviation;
            yield ['cells' => [
                [$c->mark->name], [$f->time($c->at)], [(string) $c->mark->setup->number],
                [$f->sided(Side::Northing, $d?->northing, '–')], [$f->sided(Side::Easting, $d?->easting, '–')],
                [$f->deviation($d?->plan)], [$f->sided(Side::Height, $d?->height, '–')],
            ]];
        }
    }

    /**
     * @param  Collection<int, Setup>  $setups
     * @return \Generator<array{cells?: list<list<string>>, span?: string, bold?: bool}>
     */
    private function setupRows(Collection $setups): \Generator
    {
        $f = $this->figures;
        foreach ($setups as $s) {
            $this->progress->tell(0.1, 'writing the setups');
            yield ['span' => "Setup {$s->number}, {$f->time($s->at)}, "
                .SetupMethod::from($s->method)->words()
                ." at {$s->station_name}, {$s->instrument}, instrument height {$f->length($s->instrument_height)}.", 'bold' => true];
            foreach ($s->found()->residuals as $r) {
                yield ['cells' => [
                    [$r->name], [$r->isUsed() ? 'yes' : 'no'], [$f->sidedAngle(Side::Across, $r->direction)],
                    [$f->sided(Side::Across, $r->across)], [$f->sided(Side::Length, $r->distance)],
                    [$f->sided(Side::Height, $r->height)],
                ]];
            }
            foreach ($s->found()->cautions as $caution) {
                yield ['span' => Cautions::sentence($caution)];
            }
        }
    }
}
