<?php

declare(strict_types=1);

/** Building models, beside web-ifc in the same run. Gives rows of what, measured, beside, goal. */
$folder = sys_get_temp_dir().'/parlay-bench-'.bin2hex(random_bytes(4));
mkdir($folder);
$file = "$folder/columns.ifc";

// 50,000 columns, each with a placement, a profile and an extrusion of its own, as modelling programs write them.
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
$columns = [];
for ($i = 0; $i < 50_000; $i++) {
    $at = $add(sprintf('IFCAXIS2PLACEMENT3D(%s,%s,%s)', $add(sprintf('IFCCARTESIANPOINT((%d.5,%d.,0.))', 6000 * ($i % 250), 6000 * intdiv($i, 250))), $up, $along));
    $own = $add("IFCLOCALPLACEMENT($place,$at)");
    $profile = $add(sprintf('IFCRECTANGLEPROFILEDEF(.AREA.,$,%s,%d.,%d.)', $flat, 300 + 50 * ($i % 5), 300 + 50 * ($i % 3)));
    $solid = $add(sprintf('IFCEXTRUDEDAREASOLID(%s,%s,%s,%d.)', $profile, $axes, $up, 4000 + 250 * ($i % 4)));
    $shape = $add("IFCPRODUCTDEFINITIONSHAPE($,$,({$add("IFCSHAPEREPRESENTATION($context,'Body','SweptSolid',($solid))")}))");
    $columns[] = $add("IFCCOLUMN({$id(10 + $i)},$,'Column number $i of the hall',$,'Rectangular column',$own,$shape,'C$i',.COLUMN.)");
}
foreach (array_chunk($columns, 1000) as $k => $chunk) {
    $add("IFCRELCONTAINEDINSPATIALSTRUCTURE({$id(100_000 + $k)},$,$,$,(".implode(',', $chunk)."),$storey)");
}
fwrite($out, "ENDSEC;\nEND-ISO-10303-21;\n");
fclose($out);

$work = static fn (string $what): array => (array) json_decode((string) shell_exec(
    'php -d opcache.enable=1 -d opcache.enable_cli=1 -d opcache.jit=function -d opcache.jit_buffer_size=128M -d memory_limit=1G '
    .escapeshellarg(__DIR__.'/modelsWork.php')." $what ".escapeshellarg($file),
), true);
$other = static fn (): array => (array) json_decode((string) shell_exec('node '.escapeshellarg(__DIR__.'/modelsWork.mjs').' '.escapeshellarg($file)), true);

// In turn, so that both meet the machine in one mood; the best of three each.
$own = $its = $drawn = [];
for ($k = 0; $k < 3; $k++) {
    $own[] = $work('read');
    $its[] = $other();
}
$drawn = $work('drawing');
[$mine, $theirs] = [min(array_column($own, 0)), min(array_column($its, 0))];
$rows = [
    ['a model of 50,000 columns read with all geometry', sprintf('%.2f s', $mine), sprintf('%.2f x web-ifc (%.2f s)', $mine / $theirs, $theirs), '1.0 x'],
    ['  its file, its triangles, and the memory it takes', sprintf('%.0f MB', filesize($file) / 1e6), sprintf('%d triangles, %.0f MB', $own[0][1], max(array_column($own, 2))), '400 MB'],
    ['  and as a plan of lines on layers', sprintf('%.2f s', $drawn[0]), sprintf('%d lines and symbols, %.0f MB', $drawn[1], $drawn[2]), ''],
];
array_map(unlink(...), glob("$folder/*") ?: []);
rmdir($folder);

return $rows;
