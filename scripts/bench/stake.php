<?php

declare(strict_types=1);

/** Staking in depth, on a running Parlay of its own with the demo data. Gives rows of what, measured, beside, goal. */

use Tests\Running;

$parlay = new Running('demo');
$project = $parlay->ask('GET', '/projects')[0]['id'];
$points = array_column($parlay->ask('GET', "/projects/$project/points"), null, 'name');
$point = $points['B4.4'];
$rows = [];

// A line of ten thousand vertices past that point, and the point, asked for in turn.
$vertices = [];
for ($i = 0; $i <= 10_000; $i++) {
    $vertices[] = [
        'northing' => $point['northing'] + 3 * sin($i / 60), 'easting' => $point['easting'] - 50 + $i / 100, 'elevation' => $point['elevation'],
    ];
}
$line = $parlay->ask('POST', "/projects/$project/aims", ['key' => 'bench-long-line', 'line' => ['places' => $vertices]])['id'];
$stand = static fn (float $north) => $parlay->ask('POST', '/practice', [
    'do' => 'walk', 'northing' => $point['northing'] + $north, 'easting' => $point['easting'], 'elevation' => $point['elevation'], 'atOnce' => true,
]);
$stand(0.3);
$parlay->ask('POST', "/projects/$project/instrument/turn", ['key' => 'bench-turn', 'pointId' => $point['id']]);
sleep(2);
$asked = ['target' => [], 'aim' => []];
for ($i = 0; $i < 300; $i++) {
    foreach (['target' => $point['id'], 'aim' => $line] as $what => $id) {
        $t = hrtime(true);
        $answer = json_decode((string) file_get_contents("{$parlay->url}/api/v1/projects/$project/live?$what=$id"), true);
        $asked[$what][] = (hrtime(true) - $t) / 1e6;
        $answer['guidance'] ?? throw new RuntimeException("The pole is not seen: there is no guidance for a $what.");
    }
}
$rows[] = [
    'guidance for a line of 10,000 vertices, median', sprintf('%.1f ms', part($asked['aim'], 0.5)),
    sprintf('%.2f x a point (%.1f ms)', part($asked['aim'], 0.5) / part($asked['target'], 0.5), part($asked['target'], 0.5)), '1.3 x',
];

$folder = sys_get_temp_dir().'/parlay-bench-'.bin2hex(random_bytes(4));
mkdir($folder);
exec('cd '.escapeshellarg(dirname(__DIR__, 2)).' && npx rolldown scripts/bench/offer.ts --platform node --file '
    .escapeshellarg("$folder/offer.mjs").' 2>&1', $said, $failed);
$offer = $failed === 0 ? (float) shell_exec('node '.escapeshellarg("$folder/offer.mjs")) : NAN;
$rows[] = ['a spot offered among 100,000 segments, 95th percentile', sprintf('%.2f ms', $offer), 'of the page, for each reading', '33 ms (30 frames a second)'];

// At ten readings a second, from the reading to the figures on the screen.
$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 1.6]);
$waits = OnScreen::waits($parlay, $project, $point['id'], 60, static fn (int $i) => $stand($i % 2 === 0 ? 0.8 : 0.3), [300_000, 500_000]);
$rows[] = [
    'a reading to the figures at 10 readings a second, 95th percentile', sprintf('%.0f ms', part($waits, 0.95)),
    sprintf('median %.0f ms of %d', part($waits, 0.5), count($waits)), '80 ms',
];

// A run of a hundred dots, where the instrument itself takes next to no time.
$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 100]);
$parlay->ask('POST', '/practice', ['do' => 'dry']);
$anchors = array_values(array_filter($points, static fn (array $p) => $p['code'] === 'ANCHOR'));
$hundred = array_column(array_slice([...$anchors, ...$anchors], 0, 96), 'id');
$t = microtime(true);
$parlay->ask('POST', "/projects/$project/runs", [
    'key' => 'bench-run-of-dots', 'leader' => 'bench', 'pointIds' => $hundred,
    'settings' => ['mode' => 'dot', 'markSeconds' => 0.0, 'wait' => 1.0, 'withoutCheck' => true],
]);
$run = null;
Running::until(static function () use ($parlay, $project, &$run): bool {
    $run = $parlay->ask('GET', "/projects/$project/runs")[0];

    return $run['state'] !== 'running';
}, 300.0);
$took = microtime(true) - $t;
$tries = array_sum(array_column($run['steps'], 'tries'));
// Of the stand-in: a shot 0.4 s and a measurement 1.2 s, a hundredth of it each, and the turning between.
$own = ($tries * 0.4 + count($run['steps']) * 1.2 + count($run['steps']) * 0.5) / 100;
$rows[] = [
    sprintf('a run over %d dots, of Parlay’s time for each', count($run['steps'])), sprintf('%.2f s', ($took - $own) / count($run['steps'])),
    sprintf('%d tries, %d skipped, %.0f s in all', $tries, count(array_filter($run['steps'], static fn (array $s) => $s['state'] === 'skipped')), $took), '0.3 s',
];
$parlay->stop();

return $rows;
