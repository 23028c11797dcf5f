<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use App\Control\Models\ControlPoint;
use App\Setups\Models\Setup;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use Symfony\Component\Process\Process;
use Tests\Feature\SiteTestCase;

/** What is handed over: the table, and the sheets as poppler reads them. */
final class ReportTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    /** Stakes a point so far north of where it is designed. */
    private function staked(string $name, float $off, Position $at, string $code = ''): void
    {
        $point = $this->ask('POST', $this->at('/points'), ['name' => $name, 'northing' => $at->northing, 'easting' => $at->easting, 'elevation' => $at->elevation])->assertOk()->json('id');
        $reading = $this->measure($this->project, 'stake', new Position($at->northing + $off, $at->easting, $at->elevation), $name);
        $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'stake', 'pointId' => $point, 'observationId' => $reading->id, 'evenOut' => true, 'withoutCheck' => true, 'code' => $code,
        ])->assertOk();
    }

    /** @return list<array<string, string>> */
    private function rows(): array
    {
        return $this->table('/report.csv');
    }

    /** @return list<array<string, string>> */
    private function table(string $path): array
    {
        $text = (string) $this->get('/api/v1'.$this->at($path))->assertOk()->streamedContent();
        $lines = array_map(static fn (string $l): array => str_getcsv($l, ',', '"', ''), explode("\n", trim(substr($text, 3))));
        $head = array_map(strval(...), array_shift($lines) ?? []);

        return array_map(static fn (array $l): array => array_combine($head, array_map(strval(...), $l)), $lines);
    }

    private function text(int $task): string
    {
        $answer = $this->get("/api/v1/projects/{$this->project->id}/reports/$task.pdf")->assertOk();
        $run = new Process(['pdftotext', '-layout', $answer->baseResponse->getFile()->getPathname(), '-']);

        return $run->mustRun()->getOutput();
    }

    public function test_the_table_says_of_each_mark_its_design_what_was_found_and_how_it_came_out(): void
    {
        $this->staked('=A1 "ü"', 0.0, new Position(1010.0, 2030.0, 10.0));
        $this->staked('A2', 0.06, new Position(1020.0, 2030.0, 10.0));
        [$in, $out] = $this->rows();
        self::assertSame(["'=A1 \"ü\"", 'in', 'A2', 'out'], [$in['name'], $in['verdict'], $out['name'], $out['verdict']], 'a name is no formula');
        foreach ([$in, $out] as $row) {
            self::assertEqualsWithDelta((float) $row['found northing [m]'] - (float) $row['design northing [m]'], (float) $row['dN [m]'], 1.1e-4);
            self::assertEqualsWithDelta(hypot((float) $row['dN [m]'], (float) $row['dE [m]']), (float) $row['horizontal deviation [m]'], 2e-4);
        }
        self::assertEqualsWithDelta(0.06, (float) $out['dN [m]'], 0.006);
        self::assertSame([], array_filter($this->rows(), static fn (array $r): bool => $r['counts'] !== 'yes'));
    }

    public function test_the_sheet_says_the_same_figures_as_the_table(): void
    {
        $this->staked('A2', 0.06, new Position(1020.0, 2030.0, 10.0));
        $task = $this->ask('POST', $this->at('/reports'), ['author' => 'M. Müller', 'zone' => 'Europe/Berlin'])->assertOk()->json('id');
        self::assertSame('done', $this->ask('GET', $this->at("/tasks/$task"))->json('state'));
        $text = $this->text($task);
        [$row] = $this->rows();
        self::assertStringContainsString('M. Müller', $text);
        self::assertStringNotContainsStringIgnoringCase('powered by', $text);
        self::assertStringContainsString('A2', $text);
        self::assertMatchesRegularExpression('~\b(out|OUT)\b~', $text);
        $millimetres = number_format(1000 * (float) $row['horizontal deviation [m]'], 1, '.', '');
        self::assertStringContainsString($millimetres, $text);
    }

    public function test_a_sheet_of_another_project_or_of_nowhere_is_not_given_out(): void
    {
        $this->ask('POST', $this->at('/reports'), ['zone' => 'Mars/Olympus'])->assertStatus(422);
        $task = $this->ask('POST', $this->at('/reports'), [])->assertOk()->json('id');
        $other = $this->project();
        $this->get("/api/v1/projects/{$other->id}/reports/$task.pdf")->assertStatus(404);
    }

    /** Somebody who was not there: the table's raw readings alone, and the formulas that are printed beside them. */
    public function test_every_place_follows_from_the_readings_that_are_handed_over(): void
    {
        mt_srand(7);
        for ($i = 0; $i < 200; $i++) {
            $tip = new Position(1000.0 + mt_rand(-400, 900) / 10, 2000.0 + mt_rand(0, 900) / 10, 10.0 + mt_rand(-30, 60) / 10);
            $reading = $this->measure($this->project, 'as_built', $tip, "S$i");
            $this->ask('POST', $this->at('/marks'), [
                'key' => $this->newKey(), 'kind' => 'as_built', 'name' => "S$i", 'observationId' => $reading->id, 'withoutCheck' => true,
            ])->assertOk();
        }
        $rows = $this->rows();
        self::assertCount(200, $rows);
        $off = Reference::python(<<<'PY'
            from math import sin,cos,radians
            out=[]
            for r in input:
                f=lambda k:float(r[k])
                index=radians(f('index error [deg]'));V=radians(f('zenith [deg]'))-index
                Hz=radians(f('circle [deg]'))-radians(f('collimation [deg]'))/sin(V)
                s=(f('slope distance [m]')-f('constant in it [m]'))/(1+f('ppm in it')*1e-6)*(1+f('ppm')*1e-6)+f('prism constant [m]')
                R=6371000.0;k=f('refraction')
                d=f('scale')*(s*sin(V)-(1-k/2)*s*s*sin(2*V)/(2*R))
                h=s*cos(V)+(1-k)*(s*sin(V))**2/(2*R)
                a=Hz+radians(f('orientation [deg]'))
                n=f('setup northing [m]')+d*cos(a);e=f('setup easting [m]')+d*sin(a)
                z=f('setup elevation [m]')+f('instrument height [m]')+h-f('target height [m]')
                out.append([n-f('found northing [m]'),e-f('found easting [m]'),z-f('found elevation [m]')])
            print(json.dumps(out))
            PY, $rows);
        foreach ($off as $i => $d) {
            self::assertEqualsWithDelta([0.0, 0.0, 0.0], $d, 6e-5, "mark $i");
        }
    }

    public function test_what_marks_of_a_code_have_in_common_is_said(): void
    {
        foreach (['A' => 0.0, 'B' => 0.02] as $code => $off) {
            for ($i = 0; $i < 6; $i++) {
                $this->staked("$code$i", $off, new Position(1010.0 + $i, 2030.0, 10.0), $code);
            }
        }
        $text = (string) preg_replace('~\s+~', ' ', $this->text($this->ask('POST', $this->at('/reports'), [])->assertOk()->json('id')));
        self::assertMatchesRegularExpression('~The mean of 12 lies 1\d\.\d mm north and \d\.\d mm (east|west) of the design~', $text);
        self::assertMatchesRegularExpression('~Those of code B \(6\) lie (19|20|21)\.\d mm north and \d\.\d mm (east|west) as a whole, more than chance~', $text);
        self::assertStringNotContainsString('Those of setup', $text);
    }

    /** As another program would: the directions of the resection, adjusted by scipy, find the station that was accepted. */
    public function test_marks_that_are_turned_about_their_middle_are_said_to_be(): void
    {
        foreach ([[1000.0, 2030.0], [1000.0, 2060.0], [1030.0, 2060.0], [1030.0, 2030.0], [1015.0, 2030.0], [1015.0, 2060.0]] as $i => [$n, $e]) {
            $point = $this->ask('POST', $this->at('/points'), ['name' => "T$i", 'northing' => $n, 'easting' => $e, 'elevation' => 10.0])->assertOk()->json('id');
            // Clockwise by two thousandths: what lies north goes east, what lies east goes south.
            $reading = $this->measure($this->project, 'stake', new Position($n - 0.002 * ($e - 2045.0), $e + 0.002 * ($n - 1015.0), 10.0), "T$i");
            $this->ask('POST', $this->at('/marks'), [
                'key' => $this->newKey(), 'kind' => 'stake', 'pointId' => $point, 'observationId' => $reading->id, 'evenOut' => true, 'withoutCheck' => true,
            ])->assertOk();
        }
        $html = (string) $this->get('/api/v1'.$this->at('/report-file?format=html'))->assertOk()->streamedContent();
        self::assertSame(1, preg_match('~Those of setup 1 are turned by (?<seconds>\d+)″ clockwise about their middle and lie (?<ppm>\d+) ppm~u', html_entity_decode($html, ENT_QUOTES), $m), (string) preg_replace('~^.*(<p>The mean.*?</p>).*$~s', '$1', $html));
        // 0.002 rad are 413″; the stand-in measures to some millimetres over 40 m.
        self::assertEqualsWithDelta(413, (int) $m['seconds'], 25);
        self::assertLessThan(120, (int) $m['ppm']);
    }

    public function test_all_readings_are_handed_over_so_that_another_program_finds_the_station(): void
    {
        $this->staked('A1', 0.0, new Position(1010.0, 2030.0, 10.0));
        $rows = $this->table('/readings.csv');
        self::assertSame(['setup', 'setup', 'setup', 'stake'], array_column($rows, 'taken for'));
        self::assertSame(['1', '1', '1', '1'], array_column($rows, 'setup'));
        $setup = Setup::of($this->project)->firstOrFail();
        $known = ControlPoint::of($this->project)->get()->keyBy('name')->map(static fn (ControlPoint $c): array => [$c->northing, $c->easting])->all();
        [$north, $east] = Reference::python(<<<'PY'
            from math import *
            from scipy.optimize import least_squares
            rows,known=input
            obs=[]
            for r in rows:
                f=lambda k:float(r[k])
                if r['taken for']!='setup': continue
                V=radians(f('zenith [deg]'));s=(f('slope distance [m]')-f('constant in it [m]'))/(1+f('ppm in it')*1e-6)*(1+f('ppm')*1e-6)+f('prism constant [m]')
                k=f('refraction');d=f('scale')*(s*sin(V)-(1-k/2)*s*s*sin(2*V)/(2*6371000.0))
                obs.append((radians(f('circle [deg]')),d,known[r['sighted']],radians(f('direction deviation [arcsec]')/3600),f('distance deviation [m]'),f('distance deviation [ppm]')))
            def res(x):
                out=[]
                for c,d,(n,e),sa,sd,pp in obs:
                    a=atan2(e-x[1],n-x[0])-x[2]-c
                    D=hypot(n-x[0],e-x[1])
                    out+=[atan2(sin(a),cos(a))/hypot(sa,0.0015*sqrt(2)/D),(D-d)/sqrt(sd**2+(pp*1e-6*D)**2+2*0.0015**2)]
                return out
            n0,e0=1020.0,2040.0
            best=min((least_squares(res,[n0,e0,o]) for o in [0,1,2,3,4,5,6]),key=lambda r:r.cost)
            print(json.dumps(best.x[:2].tolist()))
            PY, [$rows, $known]);
        self::assertEqualsWithDelta([$setup->northing, $setup->easting], [$north, $east], 0.0015);
    }

    /** The same from what is printed, in feet and inches: a place is worked out to a thousandth of a foot. */
    public function test_a_place_can_be_worked_out_from_the_printed_sheet(): void
    {
        $this->project = $this->project('ftin16');
        $this->site($this->project);
        $this->setUpInstrument($this->project);
        $this->staked('A2', 0.06, new Position(1020.0, 2030.0, 10.0));
        $task = $this->ask('POST', $this->at('/reports'), [])->assertOk()->json('id');
        $text = $this->text($task);
        $angle = static fn (array $m): float => deg2rad((int) $m[0] + (int) $m[1] / 60 + (float) $m[2] / 3600);
        $dms = '(\d+)°(\d\d)′(\d\d\.\d)″';
        self::assertSame(1, preg_match("~Setup 1: N ([\\d.]+) ft, E ([\\d.]+) ft, H ([\\d.]+) ft, o $dms, i ([\\d.]+) ft~u", $text, $s), $text);
        self::assertSame(1, preg_match("~A2 +\\S+ +$dms +$dms +([\\d.]+) ft +(-?[\\d.]+) mm +(-?[\\d.]+) +([\\d.]+) ft +([\\d.]+) ft~u", $text, $m), $text);
        // Below stand the setup, the constant and the parts per million that count, refraction and scale, and the rise.
        $below = trim(explode("\n", explode($m[0], $text)[1])[1]);
        self::assertSame(1, preg_match('~^1 +(-?[\d.]+) mm +(-?[\d.]+) +([\d.]+), ([\d.]+) +(-?[\d.]+) ft$~', $below, $b), $below);
        $foot = 0.3048;
        $v = $angle(array_slice($m, 4, 3));
        $slope = (((float) $m[7] * $foot - (float) $m[8] / 1000) / (1 + (float) $m[9] * 1e-6) * (1 + (float) $b[2] * 1e-6) + (float) $b[1] / 1000) / $foot;
        $r = 6_371_000.0 / $foot;
        $d = (float) $b[4] * ($slope * sin($v) - (1 - (float) $b[3] / 2) * $slope ** 2 * sin(2 * $v) / (2 * $r));
        $h = $slope * cos($v) + (1 - (float) $b[3]) * ($slope * sin($v)) ** 2 / (2 * $r);
        self::assertEqualsWithDelta([(float) $m[11], (float) $b[5]], [$d, $h], 3e-4);
        $azimuth = $angle(array_slice($m, 1, 3)) + $angle(array_slice($s, 4, 3));
        [$row] = $this->rows();
        self::assertEqualsWithDelta(
            [(float) $row['found northing [ft]'], (float) $row['found easting [ft]'], (float) $row['found elevation [ft]']],
            [(float) $s[1] + $d * cos($azimuth), (float) $s[2] + $d * sin($azimuth), (float) $s[3] + (float) $s[7] + $h - (float) $m[10]], 6e-4,
        );
    }

    public function test_the_sheet_has_the_control_it_rests_on_and_when_its_instrument_was_calibrated(): void
    {
        $name = (string) Setup::of($this->project)->value('instrument');
        $this->ask('POST', $this->at('/instruments'), ['name' => $name, 'directionSeconds' => 2.5, 'calibratedOn' => '2026-02-30'])->assertStatus(422);
        $this->ask('POST', $this->at('/instruments'), ['name' => $name, 'directionSeconds' => 2.5, 'calibratedOn' => '2026-03-14', 'certificate' => 'K 17/26'])->assertOk();
        ControlPoint::of($this->project)->where('name', 'B')->update(['held_fixed' => false, 'plan_deviation' => 0.0031, 'height_deviation' => 0.0042]);
        $this->staked('A1', 0.0, new Position(1010.0, 2030.0, 10.0));
        $text = (string) preg_replace('~[^\\S\n]+~', ' ', $this->text($this->ask('POST', $this->at('/reports'), [])->assertOk()->json('id')));
        $b = ControlPoint::of($this->project)->where('name', 'B')->firstOrFail();
        self::assertStringContainsString(sprintf('B %.3f m %.3f m %.3f m 3.1 mm / 4.2 mm given', $b->northing, $b->easting, $b->elevation), $text);
        self::assertMatchesRegularExpression('~A [\d.]+ m [\d.]+ m [\d.]+ m held fixed given~', $text);
        self::assertMatchesRegularExpression('~2\.5″ 2″ 1 mm \+ 1\.5 ppm 2026-03-14 K 17/26~', $text);
    }
}
