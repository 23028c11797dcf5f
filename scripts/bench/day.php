<?php

declare(strict_types=1);

/** The day on a running Parlay of its own with the demo data. Gives rows of what, measured, beside, goal. */

use Tests\Browser\Chrome;
use Tests\Browser\Screen;
use Tests\Running;

/**
 * Four clients at ten requests a second each, for some seconds; each client is a process.
 *
 * @return list<float> milliseconds
 */
function fourClients(string $url, int $seconds): array
{
    $client = 'for ($i = 0; $i < '
        .$seconds * 10
        .'; $i++) { $t = microtime(true); file_get_contents($argv[1]); $d = microtime(true) - $t; echo round($d * 1000, 3), "\n"; '
            .'usleep((int) max(0, 100000 - $d * 1e6)); }';
    $pipes = [];
    $processes = array_map(static function (int $k) use ($client, $url, &$pipes) {
        return proc_open([PHP_BINARY, '-r', $client, $url], [1 => ['pipe', 'w']], $pipes[$k]);
    }, range(0, 3));
    $all = [];
    foreach ($processes as $k => $process) {
        array_push($all, ...array_map(floatval(...), array_filter(explode("\n", (string) stream_get_contents($pipes[$k][1])))));
        proc_close($process);
    }

    return $all;
}

$parlay = new Running('demo');
$project = $parlay->ask('GET', '/projects')[0]['id'];
$point = array_column($parlay->ask('GET', "/projects/$project/points"), null, 'name')['B4.4'];
$parlay->ask('POST', "/projects/$project/instrument/turn", ['key' => 'bench-turn', 'pointId' => $point['id']]);
$parlay->ask('POST', '/practice', [
    'do' => 'walk', 'northing' => $point['northing'] + 0.3, 'easting' => $point['easting'], 'elevation' => $point['elevation'],
    'atOnce' => true,
]);
sleep(3);
$rows = [];

$empty = $guided = [];
for ($round = 0; $round < 3; $round++) {
    array_push($empty, ...fourClients("{$parlay->url}/api/v1/ping", 4));
    array_push($guided, ...fourClients("{$parlay->url}/api/v1/projects/$project/live?target={$point['id']}", 4));
}
$rows[] = [
    'guidance over HTTP, median', sprintf('%.1f ms', part($guided, 0.5)),
    sprintf('%.2f x an empty route', part($guided, 0.5) / part($empty, 0.5)), '1.5 x',
];
$rows[] = [
    'guidance over HTTP, 95th percentile', sprintf('%.1f ms', part($guided, 0.95)),
    sprintf('%.2f x an empty route', part($guided, 0.95) / part($empty, 0.95)), '2 x',
];

// A nudge is a step that the figures on the screen must follow: its time less the instrument's own wait for the next reading is not
// taken out.
$waits = OnScreen::waits(
    $parlay, $project, $point['id'], 40,
    static fn (int $i) => $parlay->ask('POST', '/practice', ['do' => 'nudge', 'north' => $i % 2 === 0 ? 0.5 : -0.5]), [600_000, 800_000],
);
$rows[] = [
    'a reading to the figures on the screen, 95th percentile', sprintf('%.0f ms', part($waits, 0.95)),
    sprintf('median %.0f ms of %d', part($waits, 0.5), count($waits)), '250 ms',
];

$first = [];
for ($i = 0; $i < 5; $i++) {
    $fresh = new Screen(new Chrome(1280, 800), $parlay->url);
    $fresh->open('/p/'.$project.'/prepare?do=points')->see('Search 106 points');
    $first[] = (float) $fresh->driver->executeScript(
        'return performance.getEntriesByType("resource").filter(e => '
            .'/projects.[0-9]+(.(control|designs|points|marks|setup))?$/.test(e.name)).slice(0, 6).reduce((m, e) => Math.max(m, '
                .'e.responseEnd), 0)',
    );
}
$rows[] = [
    'first screen of the demo project, median', sprintf('%.0f ms', part($first, 0.5)), 'project, control, layers, points there',
    '1500 ms',
];
$manifest = json_decode((string) file_get_contents(__DIR__.'/../../public/build/manifest.json'), true);
// What is fetched before a stage is seen: the page's own parts, and those of the stage.
$fetched = static function (array $parts) use ($manifest): float {
    $sizes = [];
    while ($parts !== []) {
        $part = $manifest[array_pop($parts)];
        if (! isset($sizes[$part['file']])) {
            $sizes[$part['file']] = strlen((string) gzencode((string) file_get_contents(__DIR__.'/../../public/build/'.$part['file']), 9));
            array_push($parts, ...$part['imports'] ?? []);
        }
    }

    return array_sum($sizes) / 1000;
};
$stages = array_map(static fn (string $stage) => $fetched(['resources/js/main.tsx', "resources/js/$stage.tsx"]), [
    'frame/Prepare', 'control/Control', 'setups/SetUp', 'stakeout/Stake', 'stakeout/AsBuilt', 'reports/HandOver',
]);
$rows[] = [
    'scripts of the first screen, gzip', sprintf('%.0f kB', $stages[0]), sprintf('%.0f to %.0f kB at other stages', min($stages), max($stages)), '300 kB',
];

$t = microtime(true);
for ($i = 0; $i < 3; $i++) {
    Parlay\Core\Formats\Dxf\DxfReader::read(fopen(__DIR__.'/../../database/demo/files/saltmarsh-yard.dxf', 'rb'));
}
$rows[] = ['the demo drawing read', sprintf('%.1f ms', (microtime(true) - $t) / 3 * 1000), '', ''];

return $rows;
