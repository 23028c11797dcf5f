<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;
use Tests\Running;

/** Pages of other origins in a real browser, a name that was made to point here, and a browser without the key. */
final class StrangersTest extends TestCase
{
    /** What a page elsewhere can try without being asked; each says how far it came. */
    private const TRIES = <<<'JS'
        const [url, done] = arguments;
        const tried = async (name, go) => { try { const r = await go(); return [name, r.type === 'opaque' ? 'sent' : `read ${(await r.text()).length}`]; } catch { return [name, 'nothing']; } };
        const project = JSON.stringify({ name: 'taken over', units: { length: 'm', angle: 'dms', direction: 'azimuth', order: 'NE', station: '1+000' } });
        Promise.all([
            tried('read', () => fetch(`${url}/api/v1/projects`)),
            tried('json', () => fetch(`${url}/api/v1/projects`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: project })),
            tried('text', () => fetch(`${url}/api/v1/projects`, { method: 'POST', mode: 'no-cors', headers: { 'Content-Type': 'text/plain' }, body: project })),
            tried('form', () => fetch(`${url}/api/v1/packed-uploads`, { method: 'POST', mode: 'no-cors', body: (() => { const f = new FormData(); f.append('file', new Blob(['x']), 'x.zip'); return f; })() })),
        ]).then((all) => done(Object.fromEntries(all)));
        JS;

    public function test_no_page_of_another_origin_reads_or_changes_anything(): void
    {
        $parlay = new Running;
        [$elsewhere, $port] = $this->pageElsewhere();
        try {
            foreach (["http://127.0.0.1:$port/", "http://localhost:$port/"] as $page) {
                $chrome = new Chrome(800, 600);
                $chrome->driver->manage()->timeouts()->setScriptTimeout(20);
                $chrome->driver->get($page);
                $came = $chrome->driver->executeAsyncScript(self::TRIES, [$parlay->url]);
                self::assertSame(['nothing', 'nothing'], [$came['read'], $came['json']], $page);
                self::assertSame([], $parlay->ask('GET', '/projects'), "$page changed something");
                self::assertSame([], glob("{$parlay->data}/uploads/*"));
                $chrome->driver->executeScript(
                    "const f = document.createElement('iframe'); f.id = 'in'; f.src = '{$parlay->url}/projects'; document.body.append(f);",
                );
                self::assertTrue(Running::until(fn () => $chrome->driver->executeScript(
                    "const f = document.getElementById('in'); try { return f.contentDocument === null } catch { return true }",
                ) === true, 10), 'shown in no other page');
                unset($chrome);
            }
        } finally {
            proc_terminate($elsewhere);
            proc_close($elsewhere);
        }
    }

    public function test_a_name_that_was_made_to_point_here_gets_no_answer(): void
    {
        $parlay = new Running('start', ['--name', 'hut.example']);
        $chrome = new Chrome(800, 600, ['--host-resolver-rules=MAP *.example 127.0.0.1']);
        $chrome->driver->get("http://rebound.example:{$parlay->port}/projects");
        self::assertStringContainsString('does not answer under this name', $chrome->driver->getPageSource());
        $chrome->driver->get("http://hut.example:{$parlay->port}/projects");
        (new Screen($chrome, "http://hut.example:{$parlay->port}"))->see('There is no project yet');
    }

    public function test_where_others_can_reach_it_the_key_is_asked_once_of_each_browser_and_changed_ends_all(): void
    {
        $parlay = new Running('start', ['--host', '0.0.0.0']);
        $key = trim((string) file_get_contents("{$parlay->data}/access-key"));
        // The key is told after the line by which a start is known.
        Running::until(static fn () => str_contains($parlay->said(), "/enter#$key"), 60);
        self::assertStringContainsString("/enter#$key", $parlay->said());
        self::assertSame(43, strlen($key), '32 random bytes');
        self::assertStringContainsString('asks for its key', $parlay->ask('GET', '/projects')['message']);
        $chrome = new Chrome(800, 1280);
        $s = new Screen($chrome, $parlay->url);
        $s->open('/projects')
            ->see('so it asks for its key')
            ->fill('Key', 'a-wrong-one')
            ->press('Enter')
            ->see('This Parlay asks for its key');
        $s->fill('Key', $key)->press('Enter')->see('There is no project yet');
        $s->open('/projects')->see('There is no project yet');
        self::assertSame(
            [true, 'Strict'],
            array_values(array_intersect_key($chrome->driver->manage()->getCookies()[0]->toArray(), ['httpOnly' => 1, 'sameSite' => 1])),
        );
        // By the address in the terminal, in one go.
        $other = new Screen(new Chrome(800, 1280), $parlay->url);
        $other->open("/enter#$key")->see('There is no project yet');
        self::assertStringNotContainsString($key, $other->driver->getCurrentURL());
        exec(escapeshellarg(dirname(__DIR__, 2).'/parlay')
            ." key --host 0.0.0.0 --port {$parlay->port} --data "
            .escapeshellarg($parlay->data), $said);
        self::assertNotSame($key, trim((string) file_get_contents("{$parlay->data}/access-key")));
        $s->open('/projects')->see('so it asks for its key');
        $new = trim((string) file_get_contents("{$parlay->data}/access-key"));
        $ask = static fn (string $bearer): int => (int) explode(' ', (string) (get_headers(
            "{$parlay->url}/api/v1/projects", false, stream_context_create(['http' => ['header' => "Authorization: Bearer $bearer"]]),
        ) ?: ['- 0'])[0])[1];
        self::assertSame([200, 401], [$ask($new), $ask($key)]);
        $codes = array_map(static fn () => $ask('guessed'), range(1, 8));
        self::assertContains(429, $codes, 'wrong keys are slowed down');
    }

    /** @return array{resource, int} a server of another origin, and its port */
    private function pageElsewhere(): array
    {
        $folder = sys_get_temp_dir().'/parlay-elsewhere';
        @mkdir($folder);
        file_put_contents("$folder/index.html", '<!doctype html><title>elsewhere</title><body>');
        $port = Chrome::freePort();
        $server = proc_open(
            [PHP_BINARY, '-q', '-S', "0.0.0.0:$port", '-t', $folder],
            [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes,
        ) ?: throw new \RuntimeException('No server.');
        Running::until(static fn () => @file_get_contents("http://127.0.0.1:$port/") !== false, 60);

        return [$server, $port];
    }
}
