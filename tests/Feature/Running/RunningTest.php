<?php

declare(strict_types=1);

namespace Tests\Feature\Running;

use PHPUnit\Framework\TestCase;
use Tests\Running;

/** The processes together, as ./parlay start runs them. */
final class RunningTest extends TestCase
{
    private static ?Running $parlay = null;

    private static int $project;

    private static int $keys = 0;

    public static function setUpBeforeClass(): void
    {
        self::$parlay = new Running;
        self::$project = self::$parlay->ask('POST', '/projects', [
            'name' => 'Running',
            'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'],
        ])['id'];
        foreach (['A' => [0, 0], 'B' => [60, 10], 'C' => [30, 80]] as $name => [$n, $e]) {
            self::ask('POST', '/control', ['name' => $name, 'northing' => 1000 + $n, 'easting' => 2000 + $e, 'elevation' => 10]);
        }
        self::ask('POST', '/practice-site');
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 10]);
    }

    public static function tearDownAfterClass(): void
    {
        self::$parlay = null;
    }

    public function test_a_setup_is_measured_through_the_instrument_and_leads_to_a_point(): void
    {
        $this->setUpInstrument();
        $point = self::ask('POST', '/points', ['name' => 'P', 'northing' => 1020, 'easting' => 2030, 'elevation' => 10])['id'];
        self::assertSame('done', $this->outcome(self::ask('POST', '/instrument/turn', ['key' => self::key(), 'pointId' => $point])));
        self::$parlay->ask(
            'POST', '/practice', ['do' => 'walk', 'northing' => 1020.5, 'easting' => 2030, 'elevation' => 10.0, 'atOnce' => true],
        );
        self::assertTrue(
            Running::until(static fn () => abs((self::ask('GET', "/live?target=$point")['guidance']['north'] ?? 99) + 0.5) < 0.03, 5.0),
        );
        $live = self::ask('GET', "/live?target=$point");
        self::assertTrue($live['instrument']['tracking']);
        self::assertLessThan(1.0, $live['readingAge']);
        self::assertEqualsWithDelta(0.0, $live['guidance']['raise'], 0.02);
    }

    /** What ships as files is guarded as all else is, and nothing beside it can be fetched. */
    public function test_scripts_and_fonts_carry_their_headers_and_no_other_file_is_given(): void
    {
        $at = static fn (string $path): array => array_change_key_case(get_headers(self::$parlay->url.$path, true) ?: []);
        $script = '/build/assets/'.basename(glob(dirname(__DIR__, 3).'/public/build/assets/*.js')[0] ?? '');
        $headers = $at($script);
        self::assertSame(
            ['text/javascript; charset=utf-8', 'nosniff', 'same-origin'],
            [$headers['content-type'], $headers['x-content-type-options'], $headers['cross-origin-resource-policy']],
        );
        self::assertStringContainsString('immutable', $headers['cache-control']);
        self::assertSame(file_get_contents(dirname(__DIR__, 3)."/public$script"), file_get_contents(self::$parlay->url.$script));
        foreach (['/..%2fcomposer.json', '/%2e%2e/composer.json', '/build/..%2f..%2fcomposer.json', '/index.php', '/%00.js'] as $path) {
            self::assertStringStartsNotWith('application/json', (string) $at($path)['content-type'], $path);
            self::assertStringNotContainsString('"require"', (string) @file_get_contents(self::$parlay->url.$path), $path);
        }
    }

    public function test_a_lost_link_is_noticed_within_two_seconds_said_and_comes_back_by_itself(): void
    {
        $cut = microtime(true);
        self::$parlay->ask('POST', '/practice', ['do' => 'cut', 'seconds' => 3]);
        self::assertTrue(Running::until(static fn () => self::link() === 'lost', 2.0));
        self::assertLessThan(2.0, microtime(true) - $cut);
        self::assertStringContainsString('can’t be reached', self::ask('POST', '/instrument/search', ['key' => self::key()])['message']);
        self::assertTrue(Running::until(static fn () => self::link() === 'up', 10.0));
    }

    public function test_what_a_lost_link_cut_off_does_not_keep_the_instrument_busy(): void
    {
        self::$parlay->ask('POST', '/practice', ['do' => 'walk', 'mark' => 'A', 'atOnce' => true]);
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 0.05]);
        $asked = self::ask('POST', '/instrument/search', ['key' => self::key()]);
        self::assertTrue(Running::until(static fn () => self::ask('GET', "/instructions/{$asked['id']}")['state'] === 'sent', 5.0));
        self::$parlay->ask('POST', '/practice', ['do' => 'cut', 'seconds' => 1]);
        self::assertTrue(Running::until(static fn () => self::ask('GET', "/instructions/{$asked['id']}")['state'] === 'refused', 5.0));
        self::assertTrue(Running::until(static fn () => self::link() === 'up', 10.0));
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 10]);
        self::assertSame('done', $this->outcome(self::ask('POST', '/instrument/search', ['key' => self::key()])));
        self::assertStringContainsString(
            'link', self::ask('GET', "/instructions/{$asked['id']}")['why'], 'and why the first came to nothing is still told',
        );
    }

    public function test_the_stand_in_killed_in_the_middle_of_a_measurement_stores_nothing_and_says_so(): void
    {
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 0.2]);
        self::$parlay->ask('POST', '/practice', ['do' => 'walk', 'mark' => 'A', 'atOnce' => true]);
        $before = count(self::ask('GET', '/field-book'));
        $asked = self::ask('POST', '/instrument/measure', ['key' => self::key(), 'purpose' => 'setup', 'controlId' => self::control('A')]);
        self::assertContains(self::ask('GET', "/instructions/{$asked['id']}")['state'], ['queued', 'sent'], 'it is still to come');
        self::$parlay->kill('stand-in.php');
        self::assertTrue(
            Running::until(static fn () => self::ask('GET', "/instructions/{$asked['id']}")['state'] === 'refused', 8.0),
            json_encode([self::ask('GET', "/instructions/{$asked['id']}"), self::ask('GET', '/live')]) ?: '',
        );
        self::assertStringContainsString('link', self::ask('GET', "/instructions/{$asked['id']}")['why']);
        self::assertTrue(Running::until(static fn () => self::link() === 'up', 20.0), 'it is started again by itself');
        self::assertCount($before, self::ask('GET', '/field-book'));
        self::assertSame('project '.self::$project, self::$parlay->ask('GET', '/practice')['site'], 'and stands where it stood');
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 10]);
    }

    public function test_the_holder_of_the_link_killed_is_started_again_and_goes_on(): void
    {
        $before = self::$parlay->pids('parlay:instrument');
        self::$parlay->kill('parlay:instrument');
        self::assertTrue(
            Running::until(static fn () => array_diff(self::$parlay->pids('parlay:instrument'), $before) !== [], 10.0),
            'another has taken its place',
        );
        // What was asked in the moment between is refused with that reason; what is asked afterwards is done.
        $isDone = function (): bool {
            $asked = self::ask('POST', '/instrument/track', ['key' => self::key()]);

            return isset($asked['id']) && $this->outcome($asked) === 'done';
        };
        self::assertTrue(Running::until($isDone, 15.0), 'and passes on what is asked');
    }

    public function test_an_import_whose_worker_is_killed_leaves_nothing_half_stored(): void
    {
        $layers = '';
        for ($i = 0; $i < 250_000; $i++) {
            $layers .= "0\nLINE\n8\nL\n10\n$i\n20\n0\n11\n$i\n21\n5\n";
        }
        $upload = $this->upload("0\nSECTION\n2\nENTITIES\n{$layers}0\nENDSEC\n0\nEOF\n");
        $task = self::ask(
            'POST', '/designs', ['upload' => $upload, 'name' => 'Big', 'unit' => 'm', 'layers' => ['L'], 'heights' => 'dropped'],
        )['id'];
        Running::until(static fn () => self::ask('GET', "/tasks/$task")['state'] === 'running', 5.0);
        self::$parlay->kill('parlay:worker');
        self::assertTrue(
            Running::until(static fn () => self::ask('GET', "/tasks/$task")['state'] === 'failed', 15.0),
            json_encode(self::ask('GET', "/tasks/$task")) ?: '',
        );
        self::assertStringContainsString('start it again', self::ask('GET', "/tasks/$task")['error']);
        self::assertSame([], self::ask('GET', '/designs'));
        $task = self::ask(
            'POST', '/designs', ['upload' => $upload, 'name' => 'Big', 'unit' => 'm', 'layers' => ['L'], 'heights' => 'dropped'],
        )['id'];
        self::assertTrue(Running::until(static fn () => self::ask('GET', "/tasks/$task")['state'] === 'done', 20.0));
        self::assertSame(250_000, self::ask('GET', '/designs')[0]['layers'][0]['count']);
    }

    public function test_two_starts_on_one_folder_and_a_used_port_are_refused_in_one_sentence(): void
    {
        $start = static function (string $port, string $data): string {
            exec(
                'timeout 30 '.escapeshellarg(dirname(__DIR__, 3).'/parlay')." start --port $port --data ".escapeshellarg($data).' 2>&1',
                $said, $code,
            );
            self::assertSame(1, $code);

            return (string) end($said);
        };
        self::assertStringContainsString('running on this data folder already', $start('19300', self::$parlay->data));
        self::assertStringContainsString(
            'is in use. Stop what uses it, or choose another',
            $start((string) self::$parlay->port, sys_get_temp_dir().'/parlay-other-'.getmypid()),
        );
        exec('rm -rf '.escapeshellarg(sys_get_temp_dir().'/parlay-other-'.getmypid()));
    }

    public function test_term_stops_everything_and_leaves_nothing_behind(): void
    {
        $own = new Running;
        self::assertNotSame([], $own->pids('stand-in.php'));
        $own->stop();
        foreach (['stand-in.php', 'parlay:instrument', 'parlay:worker', 'public/index.php'] as $process) {
            self::assertSame([], $own->pids($process));
        }
    }

    private function setUpInstrument(): void
    {
        $tripod = self::$parlay->ask('GET', '/practice')['tripod'];
        $sights = [];
        foreach (['A', 'B', 'C'] as $name) {
            self::$parlay->ask('POST', '/practice', ['do' => 'walk', 'mark' => $name, 'atOnce' => true]);
            $asked = self::ask(
                'POST', '/instrument/measure', ['key' => self::key(), 'purpose' => 'setup', 'controlId' => self::control($name)],
            );
            self::assertSame('done', $this->outcome($asked));
            $sights[] = [
                'controlId' => self::control($name),
                'observationId' => self::ask('GET', "/instructions/{$asked['id']}")['observationId'],
            ];
        }
        $state = self::ask(
            'PATCH', '/setup', ['instrumentHeight' => $tripod['height'], 'pressure' => 1009, 'temperature' => 18, 'sights' => $sights],
        );
        self::assertEqualsWithDelta($tripod['northing'], $state['solution']['station']['mark']['northing'], 0.006);
        self::assertArrayHasKey('id', self::ask('POST', '/setups', ['key' => self::key()]));
    }

    /** @param  array<array-key, mixed>  $instruction */
    private function outcome(array $instruction): string
    {
        self::assertArrayHasKey('id', $instruction, json_encode($instruction) ?: '');
        Running::until(
            static fn () => in_array(self::ask('GET', "/instructions/{$instruction['id']}")['state'], ['done', 'refused'], true), 8.0,
        );

        return self::ask('GET', "/instructions/{$instruction['id']}")['state'];
    }

    private function upload(string $bytes): string
    {
        $boundary = 'x'.bin2hex(random_bytes(8));
        $body = "--$boundary\r\nContent-Disposition: form-data; name=\"file\"; filename=\"big.dxf\"\r\n\r\n$bytes\r\n--$boundary--\r\n";
        $answer = file_get_contents(self::$parlay->url.'/api/v1/projects/'.self::$project.'/uploads', false, stream_context_create(
            ['http' => ['method' => 'POST', 'header' => "Content-Type: multipart/form-data; boundary=$boundary", 'content' => $body]],
        ));

        return json_decode((string) $answer, true)['upload'];
    }

    /** @param  array<string, mixed>|null  $body */
    private static function ask(string $method, string $path, ?array $body = null): array
    {
        return self::$parlay->ask($method, '/projects/'.self::$project.$path, $body);
    }

    private static function link(): string
    {
        return self::ask('GET', '/live')['instrument']['link'] ?? '';
    }

    private static function control(string $name): int
    {
        return (int) array_column(self::ask('GET', '/control'), 'id', 'name')[$name];
    }

    private static function key(): string
    {
        return 'running-'.++self::$keys;
    }
}
