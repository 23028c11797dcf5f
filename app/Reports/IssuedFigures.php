<?php

declare(strict_types=1);

namespace App\Reports;

use App\PrintZone;
use App\Setups\Models\Setup;
use App\Typed\Values;
use Parlay\Core\Reports\IssuedMark;
use Parlay\Core\Units\Units;

/** All figures of a report, as they were when it was issued. */
final readonly class IssuedFigures
{
    /** Decimal places of a metre: what is less is arithmetic. */
    private const PLACES = 8;

    /**
     * @param  array<string, mixed>  $head  project, units, rule, what it covers, and who issued it
     * @param  list<array<string, mixed>>  $setups
     * @param  list<IssuedMark>  $marks
     * @param  list<IssuedMark>  $checks
     * @param  string  $table  as CSV
     */
    private function __construct(public array $head, public array $setups, public array $marks, public array $checks, public string $table) {}

    public static function of(Report $report): self
    {
        $p = $report->project;
        $out = fopen('php://temp', 'w+b') ?: throw new \RuntimeException('No output.');
        ReportCsv::write($report, $out);
        rewind($out);

        return new self(
            [
                'project' => $p->name, 'units' => $p->units(), 'planTolerance' => $p->plan_tolerance, 'heightTolerance' => $p->height_tolerance, 'aboveTolerance' => $p->above_tolerance,
                'acceptance' => $p->acceptance, 'level' => $p->acceptance_level, 'scope' => $report->wanted->scope, 'name' => $report->wanted->name,
                'covers' => $report->covers, 'common' => CommonWords::of($report->counting(), $p->units()), 'corrections' => Corrections::of($p),
                'letterhead' => LetterheadEntry::of($report->letterhead), 'author' => $report->wanted->author, 'at' => $report->at, 'zone' => $report->wanted->zone, 'computedBy' => config()->string('parlay.version'),
                'photographs' => PhotographPages::of($report, new Figures($p->units(), PrintZone::utc()))->frozen(),
            ],
            array_values($report->setups->map(self::setup(...))->all()),
            self::marksOf($report),
            array_map(self::mark(...), $report->checks),
            (string) stream_get_contents($out),
        );
    }

    /** @return list<IssuedMark> those that count */
    public static function marksOf(Report $report): array
    {
        return array_map(self::mark(...), $report->counting());
    }

    /** @return array<string, mixed> */
    private static function setup(Setup $s): array
    {
        $p = $s->found()->trusted();

        return [
            'number' => $s->number, 'id' => $s->id, 'at' => $s->at, 'station' => $s->station_name, 'method' => $s->method, 'instrument' => $s->instrument,
            'northing' => self::figure($s->northing), 'easting' => self::figure($s->easting), 'elevation' => self::figure($s->elevation),
            'orientation' => round($s->orientation, 10), 'instrumentHeight' => self::figure($s->instrument_height),
            'plan' => self::figure(hypot($p->northing(), $p->easting())), 'height' => self::figure($p->height()),
        ];
    }

    private static function mark(ReportRow $r): IssuedMark
    {
        $d = $r->design;

        return new IssuedMark(
            subject: $r->subject, mark: $r->mark->id, first: $r->first, name: $r->mark->name, code: $r->mark->code, kind: $r->mark->kind, at: $r->at,
            setup: $r->mark->setup->number,
            found: [self::figure($r->found->northing), self::figure($r->found->easting), self::figure($r->found->elevation)],
            design: $d === null ? [] : [self::figure($d->northing), self::figure($d->easting), self::figure($d->elevation)],
            plan: self::figure($r->deviation?->plan), height: self::figure($r->deviation?->height),
            planUncertain: self::figure($r->conformance?->planUncertain), heightUncertain: self::figure($r->conformance?->heightUncertain), verdict: $r->called(),
            element: $r->element, model: $r->model,
        );
    }

    private static function figure(?float $metres): ?float
    {
        return $metres === null ? null : round($metres, self::PLACES);
    }

    /** @return list<CorrectionEntry> of the whole project, whatever it covers; none of what was issued before they were kept */
    public function corrections(): array
    {
        return array_map(static fn (mixed $c): CorrectionEntry => $c instanceof CorrectionEntry ? $c : Values::of($c, CorrectionEntry::class), $this->head['corrections'] ?? []);
    }

    /** As the project wrote its figures then. */
    public function units(): Units
    {
        $kept = $this->head['units'];

        return $kept instanceof Units ? $kept : Values::of($kept, Units::class);
    }

    public function json(): string
    {
        return json_encode(get_object_vars($this), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_PRESERVE_ZERO_FRACTION);
    }

    public static function unpacked(string $bytes): self
    {
        $kept = json_decode((string) gzinflate($bytes), true, flags: JSON_THROW_ON_ERROR);
        $marks = static fn (array $rows): array => array_values(array_map(static fn (array $m): IssuedMark => new IssuedMark(...$m), $rows));

        return new self($kept['head'], $kept['setups'], $marks($kept['marks']), $marks($kept['checks']), $kept['table']);
    }
}
