<?php

declare(strict_types=1);

namespace App\Reports;

use App\Tasks\Progress;
use Parlay\Core\Stakeout\HiddenMethod;
use Parlay\Core\Stakeout\OffsetShot;

/** The readings behind every mark, with the formulas by which its place follows from them (docs/calculations.md). */
final readonly class TraceTable
{
    private const FORMULAS = [
        'Hz and V: circle and zenith angle, SD: slope distance, as read. Of a reading in one face they are first freed of',
        'the errors that stand below them: V − index, Hz − collimation / sin V. c₁ and p₁: prism constant and parts per',
        'million that the instrument had applied; c and p: those that count. r: coefficient of refraction, k: scale factor,',
        't: target height, R = 6 371 000 m.',
        's = (SD − c₁) / (1 + p₁/10⁶) · (1 + p/10⁶) + c',
        'd = k (s sin V − (1 − r/2) s² sin 2V / 2R),   h = s cos V + (1 − r) (s sin V)² / 2R',
        'northing = N + d cos(Hz + o),   easting = E + d sin(Hz + o),   elevation = H + i + h − t',
    ];

    private const OFFSET = [
        'What was measured beside the prism, b behind it, r to its right and u above it as seen from the instrument, lies at',
        'northing + b cos A − r sin A,   easting + b sin A + r cos A,   elevation + u,   with A the azimuth from the station to the prism.',
    ];

    public function __construct(private Report $report, private Figures $figures, private Progress $progress) {}

    public function table(): LongTable
    {
        return new LongTable('How each place was worked out', [
            new Column(['name', 'setup'], 0.12), new Column(['time'], 0.1), new Column(['Hz', 'collimation'], 0.11, true), new Column(['V', 'index'], 0.11, true),
            new Column(['SD'], 0.1, true), new Column(['c₁', 'c'], 0.08, true), new Column(['p₁', 'p'], 0.07, true), new Column(['t', 'r, k'], 0.11, true),
            new Column(['d', 'h'], 0.11, true),
        ], $this->rows(), 'No marks have been stored yet.');
    }

    /** @return \Generator<array{cells?: list<list<string>>, span?: string, bold?: bool, quiet?: bool}> */
    private function rows(): \Generator
    {
        $f = $this->figures;
        foreach (self::FORMULAS as $line) {
            yield ['span' => $line];
        }
        $stood = [];
        foreach (array_filter($this->report->rows, static fn (ReportRow $r): bool => $r->offset() !== null) === [] ? [] : self::OFFSET as $line) {
            yield ['span' => $line];
        }
        $rows = array_filter([...$this->report->rows, ...$this->report->checks], static fn (ReportRow $r): bool => $r->trace !== null);
        foreach ($rows as $r) {
            $s = $r->trace?->setup;
            if ($s !== null && ! isset($stood[$s->id])) {
                $stood[$s->id] = true;
                yield ['span' => "Setup {$s->number}: N {$f->fineLength($s->northing)}, E {$f->fineLength($s->easting)}, H {$f->fineLength($s->elevation)}, o {$f->fineAngle($s->orientation)}, i {$f->fineLength($s->instrument_height)}.", 'bold' => true];
            }
        }
        foreach ($rows as $r) {
            $this->progress->tell(0.9, 'writing the readings');
            foreach ($r->before as $k => $t) {
                yield ['quiet' => true, 'cells' => $this->cells($r, $t, 'shot '.($k + 1))];
            }
            yield ['quiet' => $r->replaced, 'cells' => $this->cells($r, $r->trace ?? throw new \LogicException('Rows without were left out.'))];
        }
    }

    /** How it was found from the shots above it, with the tapes. */
    private function from(ReportRow $r): string
    {
        $shot = $r->mark->foundFrom()?->shot;
        $tapes = $shot === null ? [] : array_map($this->figures->fineLength(...), array_filter([$shot->first, $shot->second]));

        return $shot === null ? '' : $r->foundFrom().($tapes === [] ? '' : ': '.implode(', ', $tapes)).($shot->method === HiddenMethod::TwoTapes ? ($shot->right ? ', right' : ', left') : '');
    }

    private function beside(?OffsetShot $o): string
    {
        return $o === null ? '' : "b {$this->figures->fineLength($o->behind)}, r {$this->figures->fineLength($o->right)}, u {$this->figures->fineLength($o->up)}";
    }

    /** @return list<list<string>> */
    private function cells(ReportRow $r, Trace $t, string $which = ''): array
    {
        $f = $this->figures;
        [$o, $sight] = [$t->reading, $t->reading->sight];
        $millimetres = static fn (float $metres): string => round(1000 * $metres, 1).' mm';
        $ppm = static fn (float $parts): string => number_format($parts, 2, '.', '');

        return [
            array_values(array_filter([$r->mark->name, (string) $t->setup->number, $this->beside($r->offset()), $which !== '' ? $which : $this->from($r)])), [$f->timeOfDay($r->at)],
            [$f->fineAngle($o->circle), ...($o->hasFaceErrors() ? [$f->fineAngle($o->collimation)] : [])],
            [$f->fineAngle($o->zenith), ...($o->hasFaceErrors() ? [$f->fineAngle($o->indexError)] : [])], [$f->fineLength($o->slope)],
            [$millimetres($o->constantApplied), $millimetres($sight->target->prismConstant)], [$ppm($o->ppmApplied), $ppm($sight->ppm)],
            [$f->fineLength($sight->target->height), round($sight->refraction, 3).', '.rtrim(rtrim(number_format($o->scale, 8, '.', ''), '0'), '.')],
            [$f->fineLength($sight->distance), $f->fineLength($sight->rise)],
        ];
    }
}
