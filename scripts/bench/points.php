<?php

declare(strict_types=1);

use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\LayerCrossings;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\ShortWalk;
use Tests\Running;

/** Points made and put in order: ten thousand renamed and moved over HTTP, all crossings of two layers, a short walk. */
$rows = [];
$parlay = new Running;
$units = ['length' => 'm', 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'];
$project = $parlay->ask('POST', '/projects', ['name' => 'Bench', 'units' => $units])['id'];
$path = tempnam(sys_get_temp_dir(), 'bench');
mt_srand(5);
$text = "Name,Northing,Easting\n";
for ($i = 1; $i <= 10_000; $i++) {
    $text .= sprintf("M%d,%.3f,%.3f\n", $i, 5000 + mt_rand(0, 700_000) / 1000, 3000 + mt_rand(0, 900_000) / 1000);
}
file_put_contents($path, $text);
$upload = $parlay->upload($project, $path)['upload'];
$layout = $parlay->ask('POST', "/projects/$project/points-preview", ['upload' => $upload])['layout'];
$parlay->ask('POST', "/projects/$project/points-import", ['upload' => $upload, 'layout' => $layout, 'target' => 'points']);
Running::until(static fn (): bool => count($parlay->ask('GET', "/projects/$project/points")) === 10_000, 30);
$ids = array_column($parlay->ask('GET', "/projects/$project/points"), 'id');
/** @return array{float, array<array-key, mixed>} median seconds of five, and the last answer */
$time = static function (string $address, array $body, int $times = 5) use ($parlay, $project): array {
    $seconds = [];
    for ($i = 0; $i < $times; $i++) {
        $t = microtime(true);
        $answer = $parlay->ask('POST', "/projects/$project/$address", $body);
        $seconds[] = microtime(true) - $t;
    }

    return [part($seconds, 0.5), $answer];
};
$rename = ['ids' => $ids, 'pattern' => 'N{number}', 'digits' => 5, 'order' => 'nearestNext'];
[$seconds, $shown] = $time('renaming-preview', $rename);
$rows[] = ['10,000 new names shown, each time the nearest next', sprintf('%.2f s', $seconds), count($shown['after']).' names', '1 s'];
[$seconds, $done] = $time('renaming', ['expected' => $shown['after']] + $rename, 1);
$rows[] = ['  and given, in one step', sprintf('%.2f s', $seconds), "{$done['count']} renamed", '1 s'];
$turn = ['ids' => $ids, 'kind' => 'rotate', 'about' => ['northing' => 5000, 'easting' => 3000], 'angle' => 0.1];
[$seconds, $shown] = $time('moving-preview', $turn);
$rows[] = ['10,000 points turned, shown', sprintf('%.2f s', $seconds), "{$shown['count']} points", '1 s'];
[$seconds, $done] = $time('moving', $turn, 1);
$rows[] = ['  and moved, in one step', sprintf('%.2f s', $seconds), "{$done['count']} moved", '1 s'];
$t = microtime(true);
$parlay->ask('POST', "/projects/$project/undo");
$rows[] = ['  and taken back', sprintf('%.2f s', microtime(true) - $t), '', ''];
unset($parlay);
unlink($path);

$layers = [new DrawingLayer('A', 0), new DrawingLayer('B', 0)];
for ($i = 0; $i < 100_000; $i++) {
    [$x, $y] = [mt_rand(0, 900_000) / 1000, mt_rand(0, 700_000) / 1000];
    $layers[$i % 2]->add(
        ShapeKind::Line, $i, 0, [$x, $y, NAN, $x + mt_rand(-6000, 6000) / 1000, $y + mt_rand(-6000, 6000) / 1000, NAN, 0.0, 0.0, 0.0],
    );
}
$seconds = [];
for ($i = 0; $i < 3; $i++) {
    $t = microtime(true);
    $found = LayerCrossings::between(...$layers);
    $seconds[] = microtime(true) - $t;
}
$rows[] = [
    'all crossings of two layers of 50,000 segments each', sprintf('%.2f s', part($seconds, 0.5)),
    number_format(count($found)).' crossings', '2 s',
];

$places = array_map(static fn () => new Position(mt_rand(0, 60_000) / 1000, mt_rand(0, 60_000) / 1000), range(1, 1000));
$seconds = [];
for ($i = 0; $i < 3; $i++) {
    $t = microtime(true);
    [, $length] = ShortWalk::from($places[0], $places);
    $seconds[] = microtime(true) - $t;
}
$rows[] = [
    'a short walk over 1,000 points', sprintf('%.2f s', part($seconds, 0.5)),
    sprintf('%.2f x 0.7124 sqrt(n A)', $length / (0.7124 * sqrt(1000 * 3600))), '1 s',
];

return $rows;
