<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Clock;
use App\Http\Bodies\HeightsChoice;
use App\Http\Bodies\TakeDrawingBody;
use App\Http\Body;
use App\Models\Design;
use App\Models\DesignLayer;
use App\Models\Project;
use App\Models\Task;
use App\Preparation;
use App\Uploads;
use Parlay\Core\Formats\Dxf\DxfReader;
use Parlay\Core\Formats\Dxf\Heights;
use Parlay\Core\Formats\Dxf\ReadOptions;

/** Takes a drawing into the project in the unit and with the layers chosen; all of it or nothing. */
final class TakeDrawing implements Work
{
    public function __invoke(Task $task): array
    {
        $body = Body::restore($task->input, TakeDrawingBody::class);
        $heights = match ($body->heights) {
            HeightsChoice::Used => Heights::used(),
            HeightsChoice::Dropped => Heights::dropped(),
            HeightsChoice::Fixed => Heights::fixed($body->fixedElevation ?? throw new \DomainException('Say which elevation all of it has.')),
        };
        $drawing = DxfReader::read(Uploads::open($body->upload), new ReadOptions($body->unit, $body->layers, $heights));
        $fileName = Uploads::nameOf($body->upload);
        $project = Project::query()->findOrFail($task->project_id);

        return Preparation::step($project, "Drawing $fileName", static function (Preparation $step) use ($project, $body, $drawing, $fileName): array {
            // Undone is removed, not deleted: points made from it keep their source.
            $design = Design::query()->create([
                'project_id' => $project->id, 'name' => trim($body->name) === '' ? $fileName : mb_substr(trim($body->name), 0, 200), 'file_name' => $fileName,
                'file_hash' => hash_file('sha256', Uploads::path($body->upload)), 'unit' => $body->unit->value,
                'heights' => $body->heights->value, 'remarks' => $drawing->remarks, 'taken_at' => Clock::stamp(), 'removed_at' => Clock::stamp(),
            ]);
            foreach ($drawing->layers as $layer) {
                DesignLayer::keep($design, $layer);
            }

            $step->update($design, ['removed_at' => null]);

            return ['designId' => $design->id];
        });
    }
}
