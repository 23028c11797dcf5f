<?php

declare(strict_types=1);

/** One piece of work on a building model, in a process of its own: modelsWork.php read|drawing FILE. Prints seconds, how much, and megabytes. */

use Parlay\Core\Formats\DrawingFile;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Units\LengthUnit;

require __DIR__.'/../../vendor/autoload.php';

[, $what, $file] = $argv;
$begun = microtime(true);
$much = 0;
if ($what === 'read') {
    $stream = fopen($file, 'rb') ?: throw new RuntimeException('no file');
    foreach ((new IfcModel(StepFile::open($stream)))->elements() as $element) {
        foreach ($element->shape as [$solid, $frame]) {
            $whole = $element->place->after($frame);
            foreach ($solid->corners as [$x, $y, $z]) {
                $whole->point($x, $y, $z);
            }
            $much += intdiv(count($solid->triangles()), 3);
        }
    }
} else {
    foreach (DrawingFile::read($file, new ReadOptions(unit: LengthUnit::Millimetre))->layers as $layer) {
        $much += $layer->count;
    }
}
echo json_encode([microtime(true) - $begun, $much, memory_get_peak_usage(true) / 1e6]);
