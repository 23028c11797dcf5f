<?php

declare(strict_types=1);

namespace Tests\Feature\Running;

use PHPUnit\Framework\TestCase;
use Tests\Running;

/** Starting, over and over, on folders as accidents leave them. */
final class StartTest extends TestCase
{
    private string $data;

    protected function setUp(): void
    {
        $this->data = sys_get_temp_dir().'/parlay-start-'.bin2hex(random_bytes(6));
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->data).' '.escapeshellarg($this->data.'.log'));
    }

    public function test_the_demo_is_loaded_afresh_twice_in_a_row_and_a_missing_file_is_made_again(): void
    {
        foreach ([['--fresh'], ['--fresh']] as $options) {
            $parlay = new Running('demo', $options, $this->data);
            self::assertSame(['Saltmarsh Yard', 'Larkfield Creamery'], array_column($parlay->ask('GET', '/projects'), 'name'));
            foreach ($parlay->ask('GET', '/projects') as ['id' => $id]) {
                // Both stand ready: the instrument of each where its setup has it, and its last check just taken.
                $parlay->ask('POST', "/projects/$id/open");
                self::assertTrue(Running::until(static function () use ($parlay, $id): bool {
                    $live = $parlay->ask('GET', "/projects/$id/live");

                    return $live['instrument']['link'] === 'up' && [$live['elsewhere'], $live['another']] === [null, null];
                }, 10));
                $checks = $parlay->ask('GET', "/projects/$id/checks");
                self::assertSame([true, null], [$checks['holds'], $checks['due']], $checks['verdict']);
            }
            $parlay->stop();
        }
        unlink("{$this->data}/live.sqlite");
        $parlay = new Running('start', [], $this->data);
        $id = $parlay->ask('GET', '/projects')[0]['id'];
        self::assertSame(
            'queued', $parlay->ask('POST', "/projects/$id/instrument/track", ['key' => 'after-the-loss'])['state'],
            'what is under way has a place again',
        );
        $parlay->stop();
        array_map(unlink(...), glob("{$this->data}/parlay.sqlite*") ?: []);
        $parlay = new Running('start', [], $this->data);
        self::assertSame([], $parlay->ask('GET', '/projects'));
        $id = $parlay->ask('POST', '/projects', [
            'name' => 'New',
            'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'],
        ])['id'];
        $again = $parlay->ask('POST', "/projects/$id/instrument/track", ['key' => 'after-the-loss']);
        self::assertSame(1, $again['id'], 'nothing of the lost database is under way in the new one');
        $parlay->stop();
    }

    public function test_an_empty_parlay_loads_the_demo_once_however_often_it_is_asked(): void
    {
        $parlay = new Running('start', [], $this->data);
        self::assertSame([], $parlay->ask('GET', '/projects'));
        $asks = curl_multi_init();
        $both = [];
        foreach ([1, 2] as $_) {
            $ask = curl_init($parlay->url.'/api/v1/demo');
            curl_setopt_array($ask, [
                CURLOPT_POSTFIELDS => '{}', CURLOPT_HTTPHEADER => ['Content-Type: application/json'], CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 120,
            ]);
            curl_multi_add_handle($asks, $both[] = $ask);
        }
        do {
            curl_multi_exec($asks, $running);
            curl_multi_select($asks, 0.2);
        } while ($running > 0);
        self::assertSame(['{"count":2}', '{"count":2}'], array_map(curl_multi_getcontent(...), $both));
        self::assertSame(['Saltmarsh Yard', 'Larkfield Creamery'], array_column($parlay->ask('GET', '/projects'), 'name'));
        $parlay->stop();
    }

    public function test_a_damaged_database_is_told_in_one_sentence_and_a_full_start_after_a_kill_finds_its_port(): void
    {
        $parlay = new Running('start', [], $this->data);
        $parlay->ask('POST', '/projects', [
            'name' => 'Kept',
            'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'],
        ]);
        $port = $parlay->port;
        mkdir("{$this->data}/reports");
        touch("{$this->data}/reports/packed-1.zip.part");
        $parlay->killScript();
        $again = new Running('start', [], $this->data, $port);
        self::assertSame(['Kept'], array_column($again->ask('GET', '/projects'), 'name'));
        self::assertFileDoesNotExist("{$this->data}/reports/packed-1.zip.part", 'leftovers are cleared');
        $again->stop();
        $file = "{$this->data}/parlay.sqlite";
        $bytes = (string) file_get_contents($file);
        file_put_contents($file, substr_replace($bytes, str_repeat("\xA5", 9000), 4096, 9000));
        exec(escapeshellarg(dirname(__DIR__, 3).'/parlay')." start --port $port --data ".escapeshellarg($this->data).' 2>&1', $said, $code);
        self::assertSame(1, $code);
        self::assertStringContainsString('is damaged', implode(' ', $said));
        self::assertStringContainsString('take in a packed project, or a backup', implode(' ', $said));
        file_put_contents($file, 'no database at all, but a text that somebody saved here');
        exec(
            escapeshellarg(dirname(__DIR__, 3).'/parlay')." start --port $port --data ".escapeshellarg($this->data).' 2>&1', $other,
            $code,
        );
        self::assertSame(1, $code);
        self::assertStringContainsString('is damaged', implode(' ', $other));
    }

    public function test_web_processes_that_were_killed_come_back_also_when_their_parent_died(): void
    {
        $parlay = new Running;
        $web = fn (): array => array_values(array_filter(
            $parlay->pids('public/index.php'),
            static fn (int $p) => ! str_contains((string) @file_get_contents("/proc/$p/status"), "State:\tZ"),
        ));
        $whole = count($web());
        self::assertGreaterThan(6, $whole);
        foreach ([
            'all but one' => fn (array $all) => array_slice($all, 1), 'their parent' => fn (array $all) => [min($all)],
        ] as $which => $of) {
            foreach ($of($web()) as $pid) {
                posix_kill($pid, SIGKILL);
            }
            self::assertTrue(
                Running::until(static fn () => count($web()) === $whole && $parlay->ask('GET', '/ping') !== [], 15.0),
                "$which: ".count($web()),
            );
        }
        $parlay->kill('parlay:instrument');
        $project = $parlay->ask('POST', '/projects', [
            'name' => 'X',
            'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'],
        ])['id'];
        self::assertSame(
            'stopped', $parlay->ask('GET', "/projects/$project/live")['instrument']['link'], 'up only while its process lives',
        );
        self::assertTrue(
            Running::until(static fn () => $parlay->ask('GET', "/projects/$project/live")['instrument']['link'] === 'up', 15.0),
        );
    }
}
