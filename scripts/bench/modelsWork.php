<?php

declare(strict_types=1);

/** One piece of work on a building model, in a process of its own: modelsWork.php read|drawing|all FILE. Prints seconds, how much, and megabytes. */

use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Formats\DrawingFile;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Ifc\IfcBodies;
use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\Ifc\KeptElements;
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
} elseif ($what === 'all') {
    // As it is met: looked over, taken, and put together to be looked at.
    $kept = KeptElements::at($file);
    @unlink($kept);
    foreach ([1, 2] as $pass) {
        $options = new ReadOptions(unit: LengthUnit::Millimetre, keptAt: $kept);
        $much = array_sum(array_map(static fn (DrawingLayer $l): int => $l->count, DrawingFile::read($file, $options)->layers));
    }
    $taken = microtime(true);
    IfcBodies::pack($file, LengthUnit::Millimetre, null, keptAt: $kept);
    echo json_encode([$taken - $begun, $much, memory_get_peak_usage(true) / 1e6, microtime(true) - $taken]);
    exit;
} else {
    foreach (DrawingFile::read($file, new ReadOptions(unit: LengthUnit::Millimetre))->layers as $layer) {
        $much += $layer->count;
    }
}
echo json_encode([microtime(true) - $begun, $much, memory_get_peak_usage(true) / 1e6]);
