<?php

declare(strict_types=1);

use Tests\Browser\Chrome;
use Tests\Browser\Screen;
use Tests\Running;

/** Building models, beside web-ifc in the same run. Gives rows of what, measured, beside, goal. */
$folder = sys_get_temp_dir().'/parlay-bench-'.bin2hex(random_bytes(4));
mkdir($folder);
$file = "$folder/columns.ifc";

/** Columns, each with a placement, a profile and an extrusion of its own, as modelling programs write them. */
$columns = static function (string $file, int $number): void {
    $out = fopen($file, 'wb') ?: throw new RuntimeException('The temporary folder can’t be written to.');
    fwrite($out, "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION((''),'2;1');\nFILE_NAME('columns.ifc','2026-01-01T00:00:00',(''),(''),'','','');\nFILE_SCHEMA(('IFC4'));\nENDSEC;\nDATA;\n");
    $count = 0;
    $add = static function (string $instance) use ($out, &$count): string {
        $count++;
        fwrite($out, "#$count=$instance;\n");

        return "#$count";
    };
    $id = static fn (int $i): string => sprintf("'0%021d'", $i);
    $up = $add('IFCDIRECTION((0.,0.,1.))');
    $along = $add('IFCDIRECTION((1.,0.,0.))');
    $axes = $add('IFCAXIS2PLACEMENT3D('.$add('IFCCARTESIANPOINT((0.,0.,0.))').",$up,$along)");
    $flat = $add('IFCAXIS2PLACEMENT2D('.$add('IFCCARTESIANPOINT((0.,0.))').','.$add('IFCDIRECTION((1.,0.))').')');
    $context = $add("IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-05,$axes,$)");
    $units = $add('IFCUNITASSIGNMENT(('.$add('IFCSIUNIT(*,.LENGTHUNIT.,.MILLI.,.METRE.)').','.$add('IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.)').'))');
    $project = $add("IFCPROJECT({$id(1)},$,'Columns',$,$,$,$,($context),$units)");
    $place = $add("IFCLOCALPLACEMENT($,$axes)");
    $storey = $add("IFCBUILDINGSTOREY({$id(2)},$,'Ground',$,$,$place,$,$,.ELEMENT.,0.)");
    $add("IFCRELAGGREGATES({$id(3)},$,$,$,$project,($storey))");
    $made = [];
    for ($i = 0; $i < $number; $i++) {
        $at = $add(sprintf('IFCAXIS2PLACEMENT3D(%s,%s,%s)', $add(sprintf('IFCCARTESIANPOINT((%d.5,%d.,0.))', 6000 * ($i % 250), 6000 * intdiv($i, 250))), $up, $along));
        $own = $add("IFCLOCALPLACEMENT($place,$at)");
        $profile = $add(sprintf('IFCRECTANGLEPROFILEDEF(.AREA.,$,%s,%d.,%d.)', $flat, 300 + 50 * ($i % 5), 300 + 50 * ($i % 3)));
        $solid = $add(sprintf('IFCEXTRUDEDAREASOLID(%s,%s,%s,%d.)', $profile, $axes, $up, 4000 + 250 * ($i % 4)));
        $shape = $add("IFCPRODUCTDEFINITIONSHAPE($,$,({$add("IFCSHAPEREPRESENTATION($context,'Body','SweptSolid',($solid))")}))");
        $made[] = $add("IFCCOLUMN({$id(10 + $i)},$,'Column number $i of the hall',$,'Rectangular column',$own,$shape,'C$i',.COLUMN.)");
    }
    foreach (array_chunk($made, 1000) as $k => $chunk) {
        $add("IFCRELCONTAINEDINSPATIALSTRUCTURE({$id(100_000 + $k)},$,$,$,(".implode(',', $chunk)."),$storey)");
    }
    fwrite($out, "ENDSEC;\nEND-ISO-10303-21;\n");
    fclose($out);
};
$columns($file, 50_000);

$work = static fn (string $what, string $file): array => (array) json_decode((string) shell_exec(
    'php -d opcache.enable=1 -d opcache.enable_cli=1 -d opcache.jit=function -d opcache.jit_buffer_size=128M -d memory_limit=1G '
    .escapeshellarg(__DIR__.'/modelsWork.php')." $what ".escapeshellarg($file),
), true);
$other = static fn (string $file): array => (array) json_decode((string) shell_exec('node '.escapeshellarg(__DIR__.'/modelsWork.mjs').' '.escapeshellarg($file)), true);

// In turn, so that both meet the machine in one mood; the best of three each.
$own = $its = $drawn = [];
for ($k = 0; $k < 3; $k++) {
    $own[] = $work('read', $file);
    $its[] = $other($file);
}
$drawn = $work('drawing', $file);
[$mine, $theirs] = [min(array_column($own, 0)), min(array_column($its, 0))];
$rows = [
    ['a model of 50,000 columns read with all geometry', sprintf('%.2f s', $mine), sprintf('%.2f x web-ifc (%.2f s)', $mine / $theirs, $theirs), '1.0 x'],
    ['  its file, its triangles, and the memory it takes', sprintf('%.0f MB', filesize($file) / 1e6), sprintf('%d triangles, %.0f MB', $own[0][1], max(array_column($own, 2))), '400 MB'],
    ['  and as a plan of lines on layers', sprintf('%.2f s', $drawn[0]), sprintf('%d lines and symbols, %.0f MB', $drawn[1], $drawn[2]), ''],
];

// Of many classes, with openings, properties and bodies of all kinds.
require_once __DIR__.'/MixedModel.php';
$file = "$folder/mixed.ifc";
MixedModel::write($file, 11_000);
$theirs = (float) $other($file)[0];
$read = $work('read', $file);
$all = $work('all', $file);
array_push($rows, ['a mixed model of 12,000 things read with all geometry', sprintf('%.1f s', $read[0]), sprintf('%.2f x web-ifc (%.1f s)', $read[0] / $theirs, $theirs), '1.5 x'],
    ['  looked over and taken: two plans of it', sprintf('%.1f s', $all[0]), sprintf('%.2f x web-ifc, %d lines and symbols, %.0f MB', $all[0] / $theirs, $all[1], $all[2]), '1.5 x'],
    ['  then put together to be looked at', sprintf('%.1f s', $all[3]), '', '5 s']);

// As a person meets it: uploaded, taken, looked at, shown on one.
$parlay = new Running;
$taken = static function (int $number) use ($parlay, $columns, $folder): array {
    $units = ['length' => 'm', 'angle' => 'deg', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'];
    $project = $parlay->ask('POST', '/projects', ['name' => "$number columns", 'units' => $units])['id'];
    $columns("$folder/$number.ifc", $number);
    $begun = microtime(true);
    $upload = $parlay->upload($project, "$folder/$number.ifc")['upload'];
    $uploaded = microtime(true);
    $task = $parlay->ask('POST', "/projects/$project/designs", ['upload' => $upload, 'name' => "$number", 'unit' => 'mm', 'layers' => ['Ground · Column'], 'heights' => 'used'])['id'];
    Running::until(static fn () => in_array($parlay->ask('GET', "/projects/$project/tasks/$task")['state'], ['done', 'failed'], true), 300.0);
    $design = $parlay->ask('GET', "/projects/$project/tasks/$task")['result']['designId'];
    $bodies = file_get_contents("{$parlay->url}/api/v1/projects/$project/designs/$design/bodies");

    return [$project, $design, microtime(true) - $uploaded, strlen((string) $bodies), $uploaded - $begun];
};
[, , $ready, $bytes, $sent] = $taken(5_000);
$rows[] = ['5,000 things ready to be looked at, after the upload', sprintf('%.2f s', $ready), sprintf('upload %.2f s, %.1f MB to the browser', $sent, $bytes / 1e6), '3 s'];
[$project, $design] = $taken(1_000);
$head = (string) file_get_contents("{$parlay->url}/api/v1/projects/$project/designs/$design/bodies", length: 2_000_000);
$number = json_decode(substr($head, 4, unpack('V', $head)[1]), true)['things'][0][0];
$thing = $parlay->ask('GET', "/projects/$project/designs/$design/things/$number");
$spots = array_values(array_map(static fn (array $s) => $s['spot'], array_filter($thing['spots'], static fn (array $s) => $s['what'] === 'corner' && $s['level'] === 'top')));
$times = [];
for ($k = 0; $k < 5; $k++) {
    $begun = microtime(true);
    $found = $parlay->ask('POST', "/projects/$project/examples-preview", ['designId' => $design, 'number' => $number, 'spots' => $spots, 'alike' => ['by' => 'class'], 'naming' => ['parts' => ['name'], 'prefix' => "$k"]]);
    $times[] = microtime(true) - $begun;
}
$rows[] = ['an example of four corners followed on 1,000 things', sprintf('%.2f s', part($times, 0.5)), sprintf('%d places, slowest of five %.2f s', $found['count'], max($times)), '1 s'];
// 16,667 columns of 12 triangles, turned by hand in a browser without graphics hardware.
[$project] = $taken(16_667);
$screen = new Screen(new Chrome(1280, 800), $parlay->url);
$screen->driver->manage()->timeouts()->setScriptTimeout(120);
$screen->open("/p/$project/prepare?do=designs")->see('16667')->press('In space')->see('Touch a thing')->settle();
$frames = $screen->driver->executeAsyncScript(<<<'JS'
    const done = arguments[0], canvas = document.querySelector('[role=dialog] canvas'), box = canvas.getBoundingClientRect();
    const at = (type, x) => canvas.dispatchEvent(new PointerEvent(type, { pointerId: 1, isPrimary: true, pointerType: 'mouse', button: type === 'pointermove' ? -1 : 0, buttons: type === 'pointerup' ? 0 : 1, clientX: box.left + x, clientY: box.top + 200, bubbles: true }));
    canvas.setPointerCapture = () => {}; canvas.releasePointerCapture = () => {};
    const times = []; let x = 200;
    at('pointerdown', x);
    const step = (now) => { times.push(now); if (times.length > 60) { at('pointerup', x); done(times); } else { x += 5; at('pointermove', x); requestAnimationFrame(step); } };
    requestAnimationFrame(step);
    JS);
$gaps = array_map(static fn (float $p, float $q): float => $q - $p, array_slice($frames, 10, -1), array_slice($frames, 11));
$rows[] = ['200,000 triangles turned at 1280 x 800 in software, pictures a second', sprintf('%.0f', 1000 / part($gaps, 0.5)), sprintf('the largest things alone; all of it at rest %.0f ms', $frames[2] - $frames[1]), '20'];
$parlay->stop();
array_map(unlink(...), glob("$folder/*") ?: []);
rmdir($folder);

return $rows;
