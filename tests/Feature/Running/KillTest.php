<?php

declare(strict_types=1);

namespace Tests\Feature\Running;

use App\Stakeout\Models\Mark;
use Parlay\Core\Geometry\Position;
use Tests\Browser\Chrome;
use Tests\FeatureTestCase;

/** The server is killed outright while marks are stored: what was confirmed is there, once. */
final class KillTest extends FeatureTestCase
{
    private const ROUNDS = 20;

    public function test_every_confirmed_mark_is_there_once_after_twenty_kills(): void
    {
        $project = $this->project();
        $this->site($project);
        $this->setUpInstrument($project);
        $point = $this->ask(
            'POST', "/projects/{$project->id}/points", ['name' => 'P', 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => 10.0],
        )->json('id');
        $seen = $this->measure($project, 'stake', new Position(1010.0, 2030.0, 10.0))->id;
        mt_srand(3);
        $confirmed = $unsure = [];
        for ($round = 0, $n = 0; $round < self::ROUNDS; $round++) {
            [$server, $port] = $this->serve();
            $killer = null;
            while (true) {
                $key = array_pop($unsure) ?? sprintf('kill-mark-%05d', ++$n);
                $answer = @file_get_contents("http://127.0.0.1:$port/api/v1/projects/{$project->id}/marks", false, stream_context_create(['http' => [
                    'method' => 'POST', 'header' => 'Content-Type: application/json', 'timeout' => 5,
                    'content' => json_encode(
                        ['key' => $key, 'kind' => 'stake', 'observationId' => $seen, 'pointId' => $point, 'withoutCheck' => true],
                    ),
                ]]));
                if ($answer === false || ! isset(json_decode($answer, true)['id'])) {
                    self::assertNotNull($killer, "The server refused before it was killed: $answer");
                    $unsure[] = $key;
                    break;
                }
                $confirmed[$key] = json_decode($answer, true)['id'];
                // Once a mark has got through, the server has a moment left to live.
                $killer ??= proc_open(
                    ['sh', '-c', sprintf('sleep %.3f; kill -9 -%d', mt_rand(2, 120) / 1000, proc_get_status($server)['pid'])], [],
                    $pipes,
                );
            }
            proc_close($killer);
            proc_close($server);
        }
        self::assertGreaterThanOrEqual(self::ROUNDS, count($confirmed), 'some marks must have got through for this to prove anything');
        foreach ($confirmed as $key => $id) {
            self::assertSame([$id], Mark::query()->where('key', $key)->pluck('id')->all());
        }
        self::assertSame('ok', \Illuminate\Support\Facades\DB::scalar('PRAGMA integrity_check'));
    }

    /** @return array{resource, int} */
    private function serve(): array
    {
        $port = Chrome::freePort();
        $server = proc_open([
            'setsid', PHP_BINARY, '-d', 'opcache.enable_cli=1', '-q', '-S', "127.0.0.1:$port", '-t', public_path(),
            public_path('index.php'),
        ], [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes, null, ['PHP_CLI_SERVER_WORKERS' => '2'] + getenv());
        for ($i = 0; $i < 200 && @file_get_contents("http://127.0.0.1:$port/api/v1/ping") === false; $i++) {
            usleep(20_000);
        }

        return [$server, $port];
    }
}
