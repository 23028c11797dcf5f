<?php

declare(strict_types=1);

/** Alignments and surfaces, beside Python's ElementTree and scipy in the same run. Gives rows of what, measured, beside, goal. */

use Parlay\Core\Civil\Surfaces\GrowingMesh;
use Tests\Running;

$folder = sys_get_temp_dir().'/parlay-bench-'.bin2hex(random_bytes(4));
mkdir($folder);
$php = static fn (string $what): array => (array) json_decode((string) shell_exec(
    'php -d opcache.enable=1 -d opcache.enable_cli=1 -d opcache.jit=function -d opcache.jit_buffer_size=128M -d memory_limit=4G '
    .escapeshellarg(__DIR__.'/civilWork.php').' '.escapeshellarg($what).' '.escapeshellarg($folder),
), true);
$python = static fn (string $script): float => (float) shell_exec('cd '.escapeshellarg($folder).' && /usr/bin/python3 -c '.escapeshellarg("import time\n$script"));

// The files, made here: a million faces as one row after another, and points at random.
$out = fopen("$folder/faces.xml", 'wb') ?: throw new RuntimeException('The temporary folder can’t be written to.');
fwrite($out, '<?xml version="1.0"?><LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" version="1.2"><Units><Metric linearUnit="meter"/></Units><Surfaces><Surface name="ground"><Definition surfType="TIN"><Pnts>'."\n");
mt_srand(1);
$side = 709;
for ($i = 0; $i < $side * $side; $i++) {
    fprintf($out, "<P id=\"%d\">%.4f %.4f %.4f</P>\n", $i + 1, 5000 + 2 * intdiv($i, $side) + mt_rand() / mt_getrandmax(), 3000 + 2 * ($i % $side) + mt_rand() / mt_getrandmax(), 20 + 5 * mt_rand() / mt_getrandmax());
}
fwrite($out, "</Pnts><Faces>\n");
$faces = 0;
for ($i = 0; $i < $side - 1; $i++) {
    for ($j = 0; $j < $side - 1 && $faces < 1_000_000; $j++, $faces += 2) {
        $a = $i * $side + $j + 1;
        fwrite($out, '<F>'.$a.' '.($a + 1).' '.($a + $side)."</F>\n<F>".($a + 1).' '.($a + $side + 1).' '.($a + $side)."</F>\n");
    }
}
fwrite($out, '</Faces></Definition></Surface></Surfaces></LandXML>');
fclose($out);
foreach (['points' => 100_000, 'asked' => 1_000_000] as $name => $count) {
    $bytes = '';
    for ($i = 0; $i < $count; $i++) {
        $bytes .= pack('e2', 1000 * mt_rand() / mt_getrandmax(), 1000 * mt_rand() / mt_getrandmax());
    }
    file_put_contents("$folder/$name.bin", $bytes);
}
unset($bytes);

// In turn, so that both meet the machine in one mood; the best of three each.
$tree = "import xml.etree.ElementTree as E\nt=time.time();E.parse('faces.xml');print(time.time()-t)";
$qhull = "import numpy as np,scipy.spatial as S\np=np.fromfile('points.bin').reshape(-1,2)\nt=time.time();S.Delaunay(p);print(time.time()-t)";
$linear = "import numpy as np,scipy.spatial as S,scipy.interpolate as I\np=np.fromfile('points.bin').reshape(-1,2);q=np.fromfile('asked.bin').reshape(-1,2)\n"
    ."L=I.LinearNDInterpolator(S.Delaunay(p),np.sin(p[:,0]/50));q=q[np.lexsort((q[:,1],q[:,0]//4))]\nL(q[:10]);t=time.time();L(q);print(time.time()-t)";
$own = $other = $most = [];
for ($k = 0; $k < 3; $k++) {
    [$own['read'][], $most[]] = $php('read');
    $other['read'][] = $python($tree);
    $own['delaunay'] = [...($own['delaunay'] ?? []), ...$php('delaunay')];
    $other['delaunay'][] = $python($qhull);
    $own['heights'] = [...($own['heights'] ?? []), ...$php('heights')];
    $other['heights'][] = $python($linear);
}
$own['breaklines'] = $php('breaklines');
$row = static fn (string $what, array $mine, array $its, string $beside, string $goal): array => [
    $what, sprintf('%.2f s', min($mine)), sprintf('%.2f x %s (%.2f s)', min($mine) / min($its), $beside, min($its)), $goal,
];
$rows = [
    $row('a LandXML of 1,000,000 faces read and stored', $own['read'], $other['read'], 'ElementTree reading it', '0.6 x'),
    ['  its file and the memory it takes', sprintf('%.0f MB', filesize("$folder/faces.xml") / 1e6), sprintf('%.0f MB of memory', max($most)), '250 MB'],
    $row('100,000 points triangulated', $own['delaunay'], $other['delaunay'], 'scipy’s Delaunay', '0.6 x'),
    $row('  with 19 breaklines of 99 pieces, cut to them', $own['breaklines'], $other['delaunay'], 'scipy’s Delaunay', '1.2 x'),
    $row('1,000,000 heights in them, in any order', $own['heights'], $other['heights'], 'scipy’s, asked in order', '1.5 x'),
];
[$triangles, $first, $second] = $php('volume');
$rows[] = ["volume of two surfaces of $triangles triangles", sprintf('%.2f s', min($first, $second)), 'exact, by overlay', '4 s'];
[$elements, $cold, $warm] = $php('stations');
$rows[] = ["station and offset on $elements elements, each", sprintf('%.0f µs', 1e6 * min($cold, $warm)), '', '60 µs'];

exec('cd '.escapeshellarg(dirname(__DIR__, 2)).' && npx rolldown scripts/bench/triangles.ts --platform node --file '.escapeshellarg("$folder/triangles.mjs").' 2>&1', $said, $failed);
[$middle, $slowest] = $failed === 0 ? array_map(floatval(...), explode(' ', (string) shell_exec('node '.escapeshellarg("$folder/triangles.mjs")))) : [NAN, NAN];
$rows[] = [
    '200,000 triangles drawn with their edges and bands, a frame', sprintf('%.0f ms', $middle), sprintf('slowest of twenty %.0f ms', $slowest), '80 ms',
];

// A surface of five thousand shots, asked for as the page does after each.
$parlay = new Running('demo');
$project = $parlay->ask('GET', '/projects')[0]['id'];
$build = $parlay->ask('POST', "/projects/$project/builds", ['key' => 'bench-build', 'name' => 'Bench', 'againstId' => $parlay->ask('GET', "/projects/$project/surfaces")[0]['id']]);
$database = new PDO("sqlite:{$parlay->data}/parlay.sqlite");
$shot = (array) $database->query("SELECT * FROM marks WHERE project_id = $project AND kind = 'as_built' LIMIT 1")->fetch(PDO::FETCH_ASSOC);
unset($shot['id'], $shot['seq']);
$insert = $database->prepare('INSERT INTO marks ('.implode(', ', array_keys($shot)).') VALUES ('.implode(', ', array_fill(0, count($shot), '?')).')');
$database->beginTransaction();
$places = [];
for ($i = 0; $i < 5000; $i++) {
    $values = ['key' => "bench-$i", 'northing' => 78_620 + 80 * mt_rand() / mt_getrandmax(), 'easting' => 41_250 + 60 * mt_rand() / mt_getrandmax(), 'elevation' => 4.3] + $shot;
    $insert->execute(array_values(array_replace($shot, $values)));
    $places[] = [$values['northing'], $values['easting']];
    $database->exec("INSERT INTO build_shots (build_id, mark_id, off) VALUES ({$build['id']}, {$database->lastInsertId()}, 0.01)");
}
$mesh = GrowingMesh::of(array_column($places, 0), array_column($places, 1));
$keep = $database->prepare("UPDATE surface_builds SET grown = ? WHERE id = {$build['id']}");
$bytes = $mesh->packed();
$keep->bindParam(1, $bytes, PDO::PARAM_LOB);
$keep->execute();
$database->commit();
$t = hrtime(true);
$grown = GrowingMesh::unpacked($bytes);
$grown->add(78_650.0, 41_280.0);
$grown->packed();
$added = (hrtime(true) - $t) / 1e6;
$took = [];
for ($i = 0; $i < 12; $i++) {
    $t = hrtime(true);
    $grown = $parlay->ask('GET', "/projects/$project/builds")[0];
    $took[] = (hrtime(true) - $t) / 1e6;
}
$rows[] = [sprintf('an as-built surface of %s shots, asked for after one more', number_format($grown['shots'])), sprintf('%.0f ms', part($took, 0.5)), sprintf('the whole request; %d triangles', count($grown['triangles']) / 3), '50 ms'];
$rows[] = ['  and added to its triangulation, with the shot', sprintf('%.0f ms', $added), 'read, grown and packed', ''];
array_map(unlink(...), glob("$folder/*") ?: []);
rmdir($folder);

return $rows;
