<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use App\Instrument\Models\Observation;
use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Tests\Reference;
use Symfony\Component\Process\Process;
use Tests\Feature\SiteTestCase;

/** Places that are found from several shots: judged like others, traceable to all their readings, and moved with them. */
final class HiddenShotTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    private function shot(string $name, float $north, float $east, float $high = 10.0): Observation
    {
        return $this->measure($this->project, 'as_built', new Position($north, $east, $high), $name);
    }

    /**
     * @param  list<Observation>  $shots
     * @param  array<string, mixed>  $shot
     * @param  array<string, mixed>  $more
     */
    private function keep(string $name, array $shots, array $shot, array $more = []): \Illuminate\Testing\TestResponse
    {
        $ids = array_map(static fn (Observation $o): int => $o->id, $shots);
        $point = $this->ask('GET', $this->at('/points'))->collect()->firstWhere('name', 'C1')['id']
            ?? $this->ask('POST', $this->at('/points'), ['name' => 'C1', 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');

        return $this->ask('POST', $this->at('/marks'), $more + [
            'key' => $this->newKey(), 'kind' => 'as_built', 'pointId' => $point, 'name' => $name, 'observationId' => array_pop($ids), 'withoutCheck' => true,
            'foundFrom' => ['shot' => $shot, 'more' => $ids],
        ]);
    }

    /** @return list<Observation> on the face of a column of 0.4 m about the design */
    private function column(string $name): array
    {
        return array_map(fn (float $a): Observation => $this->shot($name, 1010.0 - 0.4 * cos($a), 2030.0 + 0.4 * sin($a)), [0.8, 0.0, -0.9]);
    }

    public function test_the_centre_of_a_column_is_judged_and_other_code_finds_it_from_the_readings(): void
    {
        $mark = $this->keep('C1', $this->column('C1'), ['method' => 'round_column'])->assertOk()->json();
        self::assertEqualsWithDelta([1010.0, 2030.0], [$mark['found']['northing'], $mark['found']['easting']], 0.012);
        self::assertSame(['plan', null, 'round_column', 2], [$mark['judged'], $mark['found']['elevation'], $mark['foundFrom']['shot']['method'], count($mark['foundFrom']['more'])]);
        self::assertGreaterThan(0.003, $mark['conformance']['planUncertain']);

        $rows = (string) $this->get('/api/v1'.$this->at('/report.csv'))->streamedContent();
        $readings = (string) $this->get('/api/v1'.$this->at('/readings.csv'))->streamedContent();
        [$worked, $told] = Reference::python(<<<'PY'
            import csv, io, math
            rows = [list(csv.DictReader(io.StringIO(t.lstrip('\ufeff')))) for t in input]
            mark = rows[0][0]
            v = lambda k, r: float(r[k] or 0)
            def place(r, m):
                rad = math.radians
                z, hz = rad(v('zenith [deg]', r)), rad(v('circle [deg]', r))
                hz, z = hz - rad(v('collimation [deg]', r)) / math.sin(z), z - rad(v('index error [deg]', r))
                s = (v('slope distance [m]', r) - v('constant in it [m]', r)) / (1 + v('ppm in it', r) / 1e6) * (1 + v('ppm', r) / 1e6) + v('prism constant [m]', r)
                k, R = v('refraction', r), 6371000.0
                d = v('scale', r) * (s * math.sin(z) - (1 - k / 2) * s * s * math.sin(2 * z) / 2 / R)
                a = hz + rad(v('orientation [deg]', m))
                return v('setup northing [m]', m) + d * math.cos(a), v('setup easting [m]', m) + d * math.sin(a)
            number = [k for k in rows[1][0] if k.lower() in ('reading', 'number', 'no', 'id')][0]
            by = {r[number]: r for r in rows[1]}
            p = [place(by[i], mark) for i in mark['other readings'].split()] + [place(mark, mark)]
            (ax, ay), (bx, by_), (cx, cy) = p
            d = 2 * (ax * (by_ - cy) + bx * (cy - ay) + cx * (ay - by_))
            n = ((ax**2 + ay**2) * (by_ - cy) + (bx**2 + by_**2) * (cy - ay) + (cx**2 + cy**2) * (ay - by_)) / d
            e = ((ax**2 + ay**2) * (cx - bx) + (bx**2 + by_**2) * (ax - cx) + (cx**2 + cy**2) * (bx - ax)) / d
            print(json.dumps([[n, e], [v('found northing [m]', mark), v('found easting [m]', mark)]]))
            PY, [$rows, $readings]);
        self::assertEqualsWithDelta($told, $worked, 3e-4);

        $task = $this->ask('POST', $this->at('/reports'), [])->assertOk()->json('id');
        $path = $this->get("/api/v1/projects/{$this->project->id}/reports/$task.pdf")->assertOk()->baseResponse->getFile()->getPathname();
        $text = (string) preg_replace('~\s+~', ' ', (new Process(['pdftotext', '-raw', $path, '-']))->mustRun()->getOutput());
        foreach (['centre of a round column', 'shot 1', 'shot 2'] as $words) {
            self::assertStringContainsString($words, $text);
        }
    }

    public function test_a_corrected_shot_moves_what_was_found_from_it(): void
    {
        $shots = [$this->shot('R', 1010.0, 2030.0, 11.0), $this->shot('R', 1010.0, 2030.36, 10.52)];
        $mark = $this->keep('R', $shots, ['method' => 'rod', 'first' => 0.9, 'second' => 0.6], ['evenOut' => true])->assertOk()->json();
        self::assertEqualsWithDelta([2030.9, 9.8], [$mark['found']['easting'], $mark['found']['elevation']], 0.02);
        // The pole of the first shot was 3 mm longer than told: the tip turns about the second prism by what of it is square to the rod, (1 − 0.8²) · 3 mm over 0.6 m.
        $target = $shots[0]->target();
        $this->ask('POST', $this->at('/corrections'), ['observationId' => $shots[0]->id, 'targetHeight' => $target->height + 0.003, 'prismConstant' => $target->prismConstant, 'note' => 'read again'])->assertOk();
        $setups = array_column($this->ask('GET', $this->at('/setup-proposals'))->json(), 'setupId');
        $this->ask('POST', $this->at('/setup-proposals-adoption'), ['setupIds' => $setups, 'note' => 'mended'])->assertOk();
        [$again] = $this->ask('GET', $this->at('/marks'))->json();
        self::assertNotSame($mark['id'], $again['id']);
        self::assertSame($mark['foundFrom'], $again['foundFrom']);
        self::assertEqualsWithDelta(0.9 * 0.36 * 0.003 / 0.6, $again['found']['elevation'] - $mark['found']['elevation'], 6e-5);
    }

    public function test_only_shots_of_this_and_of_no_other_are_taken_and_the_same_key_means_the_same(): void
    {
        $shots = $this->column('C1');
        $round = ['method' => 'round_column'];
        $begin = static fn (int $k): string => "Shot $k is not one that was taken for this under this setup. Begin with the first shot again.";
        $other = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0), 'C1');
        $this->keep('C1', [$other, $shots[1], $shots[2]], $round)->assertStatus(422)->assertJsonPath('message', $begin(1));
        $this->keep('C1', [$this->shot('other', 1010.0, 2029.6), $shots[1], $shots[2]], $round)->assertStatus(422);
        $this->keep('C1', [$shots[0], $shots[0], $shots[2]], $round)->assertStatus(422);
        $this->keep('C1', [$shots[1], $shots[2]], $round)->assertStatus(422)->assertJsonPath('message', 'This takes 3 shots; there are 2. Begin with the first shot again.');
        $this->keep('C1', $shots, ['method' => 'round_column'], ['offset' => ['behind' => 0.1]])->assertStatus(422);
        $this->keep('C1', $shots, ['method' => 'rod', 'first' => 99.0])->assertStatus(422);
        self::assertSame(0, Mark::query()->where('kind', 'as_built')->count());
        $key = $this->newKey();
        $first = $this->keep('C1', $shots, $round, ['key' => $key])->assertOk()->json('id');
        self::assertSame($first, $this->keep('C1', $shots, $round, ['key' => $key])->assertOk()->json('id'));
        $this->keep('C1', [$shots[1], $shots[0], $shots[2]], $round, ['key' => $key])->assertStatus(409);
        $this->keep('C1', [...array_slice($this->column('C1'), 0, 2), $shots[2]], $round)->assertStatus(422);
        // A mark of its own is no part of another.
        $alone = $this->shot('C1', 1009.6, 2030.0);
        $this->ask('POST', $this->at('/marks'), ['key' => $this->newKey(), 'kind' => 'as_built', 'name' => 'C1', 'observationId' => $alone->id, 'withoutCheck' => true])->assertOk();
        [$b, $c] = [$this->shot('C1', 1009.7, 2030.2), $this->shot('C1', 1009.7, 2029.8)];
        $this->keep('C1', [$alone, $b, $c], $round)->assertStatus(422)->assertJsonPath('message', 'One of these shots is a mark of its own already. Begin with the first shot again.');
    }

    public function test_measured_from_the_screen_it_is_stored_where_the_last_shot_arrives(): void
    {
        $wish = \App\Stakeout\MarkOnArrival::wish(new \App\Stakeout\MeasureOrder(
            key: 'abcdefgh', purpose: \App\Instrument\Purpose::AsBuilt, sighted: 'C1', mark: new \App\Stakeout\MarkWanted(name: 'C1', withoutCheck: true, foundFrom: new \App\Stakeout\FoundFrom(
                new \Parlay\Core\Stakeout\HiddenShot(\Parlay\Core\Stakeout\HiddenMethod::RoundColumn), array_map(static fn (Observation $o): int => $o->id, array_slice($shots = $this->column('C1'), 0, 2)),
            )),
        ));
        $beside = json_decode((string) json_encode($wish), true);
        $instruction = new \App\Instrument\Models\QueuedInstruction;
        $instruction->key = 'abcdefgh';
        app(\App\Stakeout\MarkOnArrival::class)->take($this->project, $shots[2], $instruction, ['mark' => $beside]);
        self::assertNull($instruction->asks);
        self::assertSame('round_column', Mark::query()->findOrFail($instruction->mark_id)->foundFrom()?->shot->method->value);
    }
}
