<?php

declare(strict_types=1);

use Parlay\Bench\MixedDrawing;
use Tests\Browser\Chrome;
use Tests\Browser\Screen;
use Tests\Running;

/** Designs on their way in, on files made here: drawings beside npm's dxf-parser and ezdxf, points from file to stored, the plan. */
const FAST = [
    '-d', 'opcache.enable=1', '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=function', '-d', 'opcache.jit_buffer_size=64M', '-d',
    'memory_limit=2G',
];

/**
 * A command that prints seconds and megabytes, three times; medians.
 *
 * @param  list<string>  $command
 * @return array{float, float}
 */
function timed(array $command, int $times = 3): array
{
    $seconds = $megabytes = [];
    for ($i = 0; $i < $times; $i++) {
        $process = proc_open(
            $command, [1 => ['pipe', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes, dirname(__DIR__, 2),
        ) ?: throw new RuntimeException('It could not be started.');
        [$seconds[], $megabytes[]] = array_map(floatval(...), explode(' ', trim((string) stream_get_contents($pipes[1]))));
        proc_close($process);
    }

    return [part($seconds, 0.5), part($megabytes, 0.5)];
}

$folder = sys_get_temp_dir().'/parlay-bench-'.bin2hex(random_bytes(4));
mkdir($folder);
MixedDrawing::write("$folder/100.dxf", 100_000);
MixedDrawing::write("$folder/500.dxf", 500_000);
MixedDrawing::lines("$folder/segments.dxf", 100_000);
$ours = static fn (string $file): array => [
    PHP_BINARY, ...FAST, '-r',
    'require "vendor/autoload.php"; $t = microtime(true); Parlay\Core\Formats\Dxf\DxfReader::read(fopen($argv[1], "rb")); '
        .'printf("%.3f %.1f", microtime(true) - $t, memory_get_peak_usage(true) / 1e6);',
    $file,
];
$theirs = static fn (string $file): array => [
    'node', '--max-old-space-size=6000', '-e',
    'const P = require("dxf-parser"); const t = process.hrtime.bigint(); new (P.DxfParser || P.default || '
        .'P)().parseSync(require("fs").readFileSync(process.argv[1], "utf8")); console.log((Number(process.hrtime.bigint() - t) / '
            .'1e9).toFixed(3), (process.memoryUsage().rss / 1e6).toFixed(1))',
    $file,
];
$ezdxf = static fn (string $file): array => [
    '/usr/bin/python3', '-c',
    'import sys, time, ezdxf; t = time.time(); ezdxf.readfile(sys.argv[1]).modelspace(); print(time.time() - t, 0)', $file,
];
$rows = [];
foreach (['100' => ['100,000 entities', '0.7 x', 320], '500' => ['500,000 entities', '1.2 x', 600]] as $file => [$what, $goal, $limit]) {
    [$seconds, $megabytes] = timed($ours("$folder/$file.dxf"));
    [$other] = timed($theirs("$folder/$file.dxf"));
    $rows[] = [
        "drawing of $what, all exploded", sprintf('%.2f s', $seconds), sprintf('%.2f x dxf-parser (%.2f s)', $seconds / $other, $other),
        $goal,
    ];
    $rows[] = ['  its memory', sprintf('%.0f MB', $megabytes), sprintf('%.0f MB file', filesize("$folder/$file.dxf") / 1e6), "$limit MB"];
    if ($file === 100) {
        [$reference] = timed($ezdxf("$folder/$file.dxf"), 1);
        $rows[] = [
            '  beside ezdxf', sprintf('%.2f s', $seconds), sprintf('%.2f x ezdxf (%.1f s)', $seconds / $reference, $reference), '0.2 x',
        ];
    }
}

// Snapping, in the browser's own engine, without a browser.
exec('cd '.escapeshellarg(dirname(__DIR__, 2)).' && npx rolldown scripts/bench/snap.ts --platform node --file '
    .escapeshellarg("$folder/snap.mjs").' 2>&1', $said, $failed);
$snap = $failed === 0 ? timed(['node', "$folder/snap.mjs"], 1) : [NAN, NAN];
$rows[] = [
    'a snap among 100,000 segments, 95th percentile', sprintf('%.2f ms', $snap[0]), sprintf('index made in %.0f ms', $snap[1]), '8 ms',
];

$parlay = new Running;
$project = $parlay->ask(
    'POST', '/projects',
    ['name' => 'Bench', 'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000']],
)['id'];
$points = fopen("$folder/points.csv", 'wb');
mt_srand(3);
fwrite($points, "Name,Northing,Easting,Elevation,Code,Description\n");
for ($i = 0; $i < 50_000; $i++) {
    fprintf(
        $points, "M%05d,%.3f,%.3f,%.3f,STUD,row %d\n", $i, 8000 + mt_rand(0, 700_000) / 1000, 5000 + mt_rand(0, 900_000) / 1000,
        4 + mt_rand(0, 900) / 1000, intdiv($i, 100),
    );
}
fclose($points);
$upload = $parlay->upload($project, "$folder/points.csv")['upload'];
$layout = [
    'separator' => ',', 'decimalMark' => '.', 'skip' => 1,
    'columns' => ['name', 'northing', 'easting', 'elevation', 'code', 'description'], 'unit' => 'm', 'headings' => [],
];
$t = microtime(true);
$task = $parlay->ask('POST', "/projects/$project/points-import", ['upload' => $upload, 'layout' => $layout, 'target' => 'points']);
Running::until(
    static fn (): bool => in_array($parlay->ask('GET', "/projects/$project/tasks/{$task['id']}")['state'], ['done', 'failed'], true),
    60,
);
$rows[] = [
    '50,000 points from CSV to stored, over HTTP', sprintf('%.2f s', microtime(true) - $t),
    number_format((int) $parlay->ask('GET', "/projects/$project")['progress']['points']).' stored', '3 s',
];
$t = microtime(true);
$parlay->ask('GET', "/projects/$project/points");
$rows[] = ['  all of them listed', sprintf('%.2f s', microtime(true) - $t), '', '1 s'];

$screen = new Screen(new Chrome(1280, 800), $parlay->url);
$screen->driver->manage()->timeouts()->setScriptTimeout(60);
$screen->open("/p/$project/prepare?do=points")->see('Search 50000 points');
$screen->driver->executeScript(<<<'JS'
    window.measuredFrames = []; let last = performance.now();
    const tick = (now) => { window.measuredFrames.push(now - last); last = now; requestAnimationFrame(tick); }; requestAnimationFrame(tick);
    JS);
$frames = static function (callable $work) use ($screen): array {
    $screen->driver->executeScript('window.measuredFrames = []');
    $work();

    return array_map(floatval(...), $screen->driver->executeScript('return window.measuredFrames'));
};
$scrolled = $frames(static fn () => $screen->driver->executeAsyncScript(
    'const done = arguments[0]; const list = [...document.querySelectorAll("div")].find(d => d.scrollHeight > 1e6 && d.clientHeight < '
        .'900); let k = 0; const step = () => { list.scrollTop += 4000; ++k < 60 ? requestAnimationFrame(step) : done(); }; step();',
));
$rows[] = [
    'scrolling through 50,000 points, 95th percentile of a frame', sprintf('%.0f ms', part($scrolled, 0.95)),
    sprintf('median %.0f ms', part($scrolled, 0.5)), 'no pause',
];
$typed = $screen->driver->executeAsyncScript(
    'const done = arguments[0]; const input = document.querySelector("input[type=search]"); const t = performance.now(); '
        .'Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(input, "M4999"); input.dispatchEvent(new '
            .'Event("input", { bubbles: true })); const look = () => document.body.innerText.includes("10 of 50000") ? '
                .'done(performance.now() - t) : requestAnimationFrame(look); look();',
);
$rows[] = ['a search among 50,000 points, to the list', sprintf('%.0f ms', $typed), '', 'as one types'];

$second = $parlay->ask(
    'POST', '/projects',
    ['name' => 'Segments', 'units' => ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000']],
)['id'];
$drawing = $parlay->upload($second, "$folder/segments.dxf")['upload'];
$t = microtime(true);
$task = $parlay->ask('POST', "/projects/$second/designs", [
    'upload' => $drawing, 'name' => 'S', 'unit' => 'm', 'layers' => array_map(static fn (int $i) => "LAYER $i", range(0, 19)),
    'heights' => 'dropped',
]);
Running::until(
    static fn (): bool => in_array($parlay->ask('GET', "/projects/$second/tasks/{$task['id']}")['state'], ['done', 'failed'], true), 60,
);
$rows[] = ['100,000 segments from DXF to stored, over HTTP', sprintf('%.2f s', microtime(true) - $t), '', ''];
$screen->open("/p/$second/prepare?do=drawings")->see('20 of 20 shown')->doNotSee('Loading');
sleep(2);
$screen->driver->executeScript(<<<'JS'
    window.measuredFrames = []; let last = performance.now();
    const tick = (now) => { window.measuredFrames.push(now - last); last = now; requestAnimationFrame(tick); }; requestAnimationFrame(tick);
    JS);
$dragged = $frames(static fn () => $screen->driver->executeAsyncScript(<<<'JS'
    const done = arguments[0]; const plan = document.querySelector('[aria-label="Plan"] canvas') ?? document.querySelector('[aria-label="Plan"]');
    const send = (type, x, y, buttons) => plan.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, pointerType: 'mouse', isPrimary: true, clientX: x, clientY: y, button: 0, buttons }));
    send('pointerdown', 400, 400, 1); let k = 0;
    const step = () => { k++; const move = new PointerEvent('pointermove', { bubbles: true, pointerId: 1, pointerType: 'mouse', isPrimary: true, clientX: 400 + 3 * (k % 40), clientY: 400 + 2 * (k % 30), buttons: 1 }); (k < 2 ? plan : document).dispatchEvent(move); k < 60 ? requestAnimationFrame(step) : (document.dispatchEvent(new PointerEvent('pointerup', { bubbles: true, pointerId: 1, clientX: 400, clientY: 400 })), done()); };
    step();
    JS));
$rows[] = [
    'a frame of the plan with 100,000 segments while dragged, median', sprintf('%.0f ms', part($dragged, 0.5)),
    sprintf('95th percentile %.0f ms', part($dragged, 0.95)), '80 ms',
];
unset($screen, $parlay);
exec('rm -rf '.escapeshellarg($folder));

return $rows;
