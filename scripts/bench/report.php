<?php

declare(strict_types=1);

use Tests\Running;

/** A report of 5,000 marks, each with its reading. Gives rows of what, measured, beside, goal. */
$parlay = new Running('demo');
$project = array_column($parlay->ask('GET', '/projects'), 'id', 'name')['Saltmarsh Yard'];
$db = new PDO("sqlite:{$parlay->data}/parlay.sqlite");
$db->setAttribute(PDO::ATTR_ERRMODE, PDO::ERRMODE_EXCEPTION);
$db->exec('PRAGMA busy_timeout = 20000');
$columns = static fn (string $table): array => array_values(array_diff(array_column($db->query("PRAGMA table_info($table)")->fetchAll(PDO::FETCH_ASSOC), 'name'), ['id', 'seq', 'key']));
$first = $db->query("SELECT id, observation_id FROM marks WHERE project_id = $project AND kind = 'stake' ORDER BY id LIMIT 1")->fetch(PDO::FETCH_ASSOC);
$db->exec('BEGIN IMMEDIATE');
$copy = static function (string $table, int $id, string $key, array $other) use ($db, $columns): int {
    $db->exec("INSERT INTO book_sequence (at) VALUES ('2026-12-02T08:00:00.000000Z')");
    $seq = (int) $db->lastInsertId();
    $names = $columns($table);
    $keyed = in_array('key', array_column($db->query("PRAGMA table_info($table)")->fetchAll(PDO::FETCH_ASSOC), 'name'), true);
    $values = array_map(static fn (string $c): string => $other[$c] ?? "\"$c\"", $names);
    $db->exec(sprintf(
        'INSERT INTO %1$s (seq, %2$s"%3$s") SELECT %4$d, %5$s%6$s FROM %1$s WHERE id = %7$d', $table, $keyed ? 'key, ' : '', implode('", "', $names), $seq, $keyed ? "'$key', " : '',
        implode(', ', $values), $id,
    ));

    return (int) $db->lastInsertId();
};
for ($i = 0; $i < 5_000; $i++) {
    $reading = $copy('observations', (int) $first['observation_id'], "bench-$i", []);
    $copy('marks', (int) $first['id'], "bench-$i", ['observation_id' => (string) $reading, 'point_id' => 'NULL', 'name' => "'B$i'", 'northing' => 'northing + '.($i % 100) / 2e4]);
}
$db->exec('COMMIT');
$db = null;

$begun = microtime(true);
$task = $parlay->ask('POST', "/projects/$project/reports", [])['id'];
Running::until(static fn () => in_array($parlay->ask('GET', "/projects/$project/tasks/$task")['state'], ['done', 'failed'], true), 300.0);
$done = $parlay->ask('GET', "/projects/$project/tasks/$task");
$seconds = microtime(true) - $begun;
$pdf = (string) file_get_contents("{$parlay->url}{$done['result']['file']}");
preg_match_all('~/Type /Page\b~', $pdf, $pages);
// Those of this Parlay alone: another may run beside it.
$workers = [];
foreach (array_filter(explode("\n", (string) shell_exec("pgrep -f 'artisan parlay:worker'"))) as $pid) {
    if (str_contains((string) @file_get_contents("/proc/$pid/environ"), $parlay->data) && preg_match('~VmHWM:\s+(\d+)~', (string) @file_get_contents("/proc/$pid/status"), $m) === 1) {
        $workers[] = (int) $m[1];
    }
}
$times = [];
for ($k = 0; $k < 3; $k++) {
    $begun = microtime(true);
    $csv = (string) file_get_contents("{$parlay->url}/api/v1/projects/$project/report.csv");
    $times[] = microtime(true) - $begun;
}
$begun = microtime(true);
$changes = $parlay->ask('GET', "/projects/$project/report-issues/{$done['result']['number']}/changes");
$compared = microtime(true) - $begun;
$files = [];
foreach (['html', 'dxf', 'geojson', 'bcf', 'ifc'] as $format) {
    $begun = microtime(true);
    $bytes = strlen((string) file_get_contents("{$parlay->url}/api/v1/projects/$project/report-issues/{$done['result']['number']}/file?format=$format&all=1"));
    $files[] = ["  its marks as $format", sprintf('%.2f s', microtime(true) - $begun), sprintf('%.1f MB', $bytes / 1e6), $format === 'html' ? '3 s' : ''];
}
$parlay->stop();

return [
    ['a report of 5,000 marks issued, with all their readings', sprintf('%.1f s', $seconds), sprintf('%.1f MB, largest worker %.0f MB', strlen($pdf) / 1e6, max([0, ...$workers]) / 1e3), '30 s, 256 MB'],
    ['  its table', sprintf('%.2f s', min($times)), sprintf('%.1f MB', strlen($csv) / 1e6), '3 s'],
    ['  held against the marks of today', sprintf('%.2f s', $compared), count($changes).' changes', ''],
    ...$files,
];
