<?php

declare(strict_types=1);

namespace App\Practice;

use App\Civil\Tasks\TakeModel;
use App\Clock;
use App\Cogo\Actions\MakePoint;
use App\Cogo\NewPoint;
use App\Designs\HeightsChoice;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Designs\Tasks\TakeDrawing;
use App\Designs\TouchedSpot;
use App\Projects\Models\Project;
use App\Projects\Uploads;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\TaskKind;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Designs\SpotKind;
use Parlay\Core\Formats\Dxf\DxfReader;
use Parlay\Core\Formats\LandXml\ModelOptions;
use Parlay\Core\Formats\LandXml\ModelReader;
use Parlay\Core\Units\LengthUnit;
use Parlay\Demo\SaltmarshYard;

/** Brings a demo drawing in and makes points of it, by the same actions that the screen uses. */
final class DemoDrawing
{
    public function __construct(
        private readonly TakeDrawing $take,
        private readonly MakePoint $make,
    ) {}

    public function take(Project $project, string $path, LengthUnit $unit): void
    {
        $token = Uploads::keepCopy($path, $project)->upload;
        $layers = array_map(static fn ($l) => $l->name, DxfReader::read(Uploads::open($token))->layers);
        $task = Task::query()->create([
            'project_id' => $project->id, 'kind' => TaskKind::TakeDrawing->value,
            'state' => 'done', 'result' => null, 'error' => null, 'created_at' => Clock::stamp(),
            'input' => [
                'upload' => $token, 'name' => ucfirst(str_replace('-', ' ', basename($path, '.dxf'))), 'unit' => $unit->value,
                'layers' => $layers, 'heights' => HeightsChoice::Used->value, 'fixedElevation' => null,
            ],
        ]);
        ($this->take)($task, new Progress($task->id));
    }

    /** All of a civil model. */
    public function takeModel(Project $project, string $path): void
    {
        $token = Uploads::keepCopy($path, $project)->upload;
        $surfaces = 0;
        $model = ModelReader::read(Uploads::open($token), new ModelOptions, static function () use (&$surfaces): void {
            $surfaces++;
        });
        $task = Task::query()->create([
            'project_id' => $project->id, 'kind' => TaskKind::TakeModel->value, 'state' => 'done', 'result' => null, 'error' => null,
            'created_at' => Clock::stamp(), 'input' => [
                'upload' => $token, 'name' => '', 'unit' => LengthUnit::Metre->value, 'exchanged' => false,
                'alignments' => array_keys($model->alignments), 'surfaces' => range(0, $surfaces - 1), 'lines' => true,
            ],
        ]);
        (new TakeModel)($task, new Progress($task->id));
    }

    public function pointsAtCircles(Project $project, string $layer, string $prefix, string $code, ?float $elevation): void
    {
        foreach ($this->circles($project, $layer) as $i => $spot) {
            ($this->make)($project, new NewPoint($prefix.($i + 1), $spot, elevation: $elevation, code: $code));
        }
    }

    /** Four anchors a column, named by the column: A1.1 to D6.4. */
    public function anchorsOfColumns(Project $project): void
    {
        $columns = SaltmarshYard::columns();
        foreach ($this->circles($project, 'ANCHORS') as $i => $spot) {
            ($this->make)($project, new NewPoint($columns[intdiv($i, 4)].'.'.($i % 4 + 1), $spot, code: 'ANCHOR'));
        }
    }

    /** @return list<TouchedSpot> centres of a layer's circles in the order they are drawn */
    private function circles(Project $project, string $name): array
    {
        $layer = DesignLayer::query()->where('name', $name)->whereIn('design_id', Design::of($project)->select('id'))->firstOrFail();
        $spots = [];
        $drawing = $layer->drawing();
        for ($i = 0; $i < $drawing->count; $i++) {
            if ($drawing->shape($i)->kind === ShapeKind::Circle) {
                $spots[] = new TouchedSpot($layer->id, $i, SpotKind::Centre);
            }
        }

        return $spots;
    }
}
