<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Http\Resources\InspectedLayer;
use App\Http\Resources\InspectionResource;
use App\Http\Resources\KindCount;
use App\Models\Task;
use App\Uploads;
use Parlay\Core\Design\DrawingLayer;
use Parlay\Core\Formats\Dxf\DxfReader;

/** Reads a drawing through and tells what is in it; stores nothing of it. */
final class InspectDrawing implements Work
{
    public function __invoke(Task $task): array
    {
        $drawing = DxfReader::read(Uploads::open($task->input['upload']));

        return (array) new InspectionResource(
            $drawing->declaredUnit,
            $drawing->version,
            $drawing->extent() ?? [],
            $drawing->heights ?? [],
            array_map(static fn (DrawingLayer $l) => new InspectedLayer(
                $l->name, $l->colour, $l->count,
                array_map(static fn (string $k, int $n) => new KindCount($k, $n), array_keys($l->kinds), array_values($l->kinds)),
            ), $drawing->layers),
            $drawing->remarks,
        ) + ['fileName' => Uploads::nameOf($task->input['upload'])];
    }
}
