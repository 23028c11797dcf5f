<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use App\Instrument\Models\Observation;
use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use Symfony\Component\Process\Process;
use Tests\Feature\SiteTestCase;

/** What no prism can stand on is measured beside it, stays traceable, and moves with its setup. */
final class OffsetShotTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    /**
     * @param  array<string, float>|null  $offset
     * @return array<string, mixed>
     */
    private function built(string $name, ?array $offset, int $status = 200, string $kind = 'as_built', ?string $key = null, ?int $reading = null): array
    {
        $point = $this->ask('GET', $this->at('/points'))->collect()->firstWhere('name', $name)['id']
            ?? $this->ask('POST', $this->at('/points'), ['name' => $name, 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
        $reading ??= $this->measure($this->project, $kind, new Position(1010.0, 2030.0, 10.0), $name)->id;

        return $this->ask('POST', $this->at('/marks'), [
            'key' => $key ?? $this->newKey(), 'kind' => $kind, 'pointId' => $point, 'observationId' => $reading, 'evenOut' => true, 'withoutCheck' => true, 'offset' => $offset,
        ])->assertStatus($status)->json();
    }

    public function test_it_lies_beside_the_prism_and_other_code_comes_to_the_same_place_from_the_table_and_from_paper(): void
    {
        $on = $this->built('P1', null);
        $beside = $this->built('P2', ['behind' => 0.4, 'right' => -0.25, 'up' => 0.1]);
        self::assertSame([null, ['behind' => 0.4, 'right' => -0.25, 'up' => 0.1]], [$on['offset'], $beside['offset']]);
        self::assertEqualsWithDelta(hypot(0.4, 0.25), hypot($beside['found']['northing'] - $on['found']['northing'], $beside['found']['easting'] - $on['found']['easting']), 0.005);
        self::assertEqualsWithDelta(0.1, $beside['found']['elevation'] - $on['found']['elevation'], 0.005);
        self::assertGreaterThan($on['conformance']['planUncertain'] + 0.005, $beside['conformance']['planUncertain'], 'a tape and an eye are in it');

        $table = (string) $this->get('/api/v1'.$this->at('/report.csv'))->assertOk()->streamedContent();
        [$worked, $told] = Reference::python(<<<'PY'
            import csv, io, math
            rows = list(csv.DictReader(io.StringIO(input.lstrip('\ufeff'))))
            r = [x for x in rows if x['name'] == 'P2'][0]
            v = lambda k: float(r[k] or 0)
            rad = math.radians
            z, hz = rad(v('zenith [deg]')), rad(v('circle [deg]'))
            hz, z = hz - rad(v('collimation [deg]')) / math.sin(z), z - rad(v('index error [deg]'))
            s = (v('slope distance [m]') - v('constant in it [m]')) / (1 + v('ppm in it') / 1e6) * (1 + v('ppm') / 1e6) + v('prism constant [m]')
            k, R = v('refraction'), 6371000.0
            d = v('scale') * (s * math.sin(z) - (1 - k / 2) * s * s * math.sin(2 * z) / 2 / R)
            h = s * math.cos(z) + (1 - k) * (s * math.sin(z)) ** 2 / 2 / R
            a = hz + rad(v('orientation [deg]'))
            b, q, u = v('behind the prism [m]'), v('right of the prism [m]'), v('above the prism [m]')
            print(json.dumps([[v('setup northing [m]') + (d + b) * math.cos(a) - q * math.sin(a), v('setup easting [m]') + (d + b) * math.sin(a) + q * math.cos(a),
                v('setup elevation [m]') + v('instrument height [m]') + h - v('target height [m]') + u], [v('found northing [m]'), v('found easting [m]'), v('found elevation [m]')]]))
            PY, $table);
        self::assertEqualsWithDelta($told, $worked, 1e-4);

        $task = $this->ask('POST', $this->at('/reports'), [])->json('id');
        $number = $this->ask('GET', $this->at("/tasks/$task"))->json('result.number');
        $pdf = $this->get('/api/v1'.$this->at("/report-issues/$number.pdf"))->assertOk()->baseResponse->getFile()->getPathname();
        $words = (string) preg_replace('~\s+~', ' ', (new Process(['pdftotext', '-layout', $pdf, '-']))->mustRun()->getOutput());
        foreach (['northing + b cos A − r sin A', 'b 0.4', 'r -0.25'] as $part) {
            self::assertStringContainsString($part, str_replace(['−0', '- 0'], '-0', $words));
        }
    }

    public function test_it_moves_with_its_reading_and_keeps_its_offset(): void
    {
        $this->built('P1', ['behind' => 0.4]);
        $reading = Observation::query()->where('sighted', 'P1')->firstOrFail();
        $this->ask('POST', $this->at('/corrections'), ['observationId' => $reading->id, 'targetHeight' => $reading->target_height + 0.2, 'prismConstant' => $reading->prism_constant, 'note' => 'pole at 2.2'])->assertOk();
        [$proposal] = $this->ask('GET', $this->at('/setup-proposals'))->assertOk()->json();
        self::assertEqualsWithDelta(0.2, $proposal['largest'], 1e-6, 'the offset is no part of what moved');
        $this->ask('POST', $this->at('/setup-proposals-adoption'), ['setupIds' => [$proposal['setupId']], 'note' => 'worked through'])->assertOk();
        [$old, $new] = Mark::query()->where('name', 'P1')->orderBy('id')->get()->all();
        self::assertEqualsWithDelta([$old->northing, $old->easting, $old->elevation - 0.2], [$new->northing, $new->easting, $new->elevation], 1e-6);
        self::assertSame($old->shot_offset, $new->shot_offset);
        self::assertSame([], $this->ask('GET', $this->at('/setup-proposals'))->json());
    }

    public function test_only_what_is_built_has_one_and_the_same_key_only_the_same(): void
    {
        self::assertStringContainsString('as built', (string) $this->built('S1', ['behind' => 0.4], 422, 'stake')['message']);
        $this->built('S2', ['behind' => 0.0, 'right' => 0.0, 'up' => 0.0], 200, 'stake');
        self::assertNull(Mark::query()->where('name', 'S2')->firstOrFail()->shot_offset);
        $this->built('P1', ['behind' => 21.0], 422);
        $reading = $this->measure($this->project, 'as_built', new Position(1010.0, 2030.0, 10.0), 'P1')->id;
        $key = $this->newKey();
        $first = $this->built('P1', ['right' => 0.3], 200, key: $key, reading: $reading);
        self::assertSame($first['id'], $this->built('P1', ['right' => 0.3], 200, key: $key, reading: $reading)['id'], 'sent again it is the same');
        $this->built('P1', ['right' => 0.4], 409, key: $key, reading: $reading);
        $this->built('P1', null, 409, key: $key, reading: $reading);
    }
}
