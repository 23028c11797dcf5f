<?php

declare(strict_types=1);

namespace App\Civil\Tasks;

use App\Civil\CountedThing;
use App\Civil\InspectedAlignment;
use App\Civil\InspectedSurface;
use App\Civil\ModelFit;
use App\Civil\ModelInspection;
use App\Control\Models\ControlPoint;
use App\Projects\Models\Project;
use App\Projects\Uploads;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;
use Parlay\Core\Civil\Models\AlignmentRead;
use Parlay\Core\Civil\Models\CivilModel;
use Parlay\Core\Civil\Models\SurfaceRead;
use Parlay\Core\Formats\LandXml\ModelOptions;
use Parlay\Core\Formats\LandXml\ModelReader;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthUnit;

/** Reads a LandXML through and tells what is in it and how it fits the control; stores nothing of it. */
final class InspectModel implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $upload = $task->input['upload'];
        $control = ControlPoint::query()->where('project_id', $task->project_id)->get()
            ->mapWithKeys(static fn (ControlPoint $c) => [$c->name => $c->position()])->all();
        $style = Project::query()->findOrFail($task->project_id)->length_style;
        $size = max(1, (int) filesize(Uploads::path($upload)));
        $surfaces = [];
        $model = ModelReader::read(
            Uploads::open($upload),
            new ModelOptions(progress: static fn (int $bytes) => $progress->tell(0.95 * $bytes / $size, 'reading the model'), wanted: $control, style: $style),
            static function (SurfaceRead $s) use (&$surfaces): void {
                $surfaces[] = InspectedSurface::of($s);
            },
        );
        // Without a unit of its own it was read as metres.
        $read = $model->unit ?? LengthUnit::Metre;

        return (array) new ModelInspection(
            fileName: Uploads::nameOf($upload),
            declaredUnit: $model->unit,
            unit: $read,
            version: $model->version,
            application: $model->application,
            points: $model->points,
            alignments: array_map(InspectedAlignment::of(...), $model->alignments),
            surfaces: $surfaces,
            features: count($model->features),
            counts: CountedThing::of($model->counts),
            remarks: $model->remarks,
            fits: $control === [] ? [] : ModelFit::all($control, $model->named, self::extent($model, $surfaces), $read),
            controlTried: count($control),
        );
    }

    /**
     * @param  list<InspectedSurface>  $surfaces
     * @return list<float>|null
     */
    private static function extent(CivilModel $model, array $surfaces): ?array
    {
        $boxes = array_filter([$model->pointsExtent, ...array_map(static fn (InspectedSurface $s) => $s->extent, $surfaces)]);
        foreach ($model->alignments as $a) {
            $boxes[] = self::around($a);
        }
        if ($boxes === []) {
            return null;
        }

        return [min(array_column($boxes, 0)), min(array_column($boxes, 1)), max(array_column($boxes, 2)), max(array_column($boxes, 3))];
    }

    /** @return list<float> */
    private static function around(AlignmentRead $a): array
    {
        $places = array_map(static fn (float $along): Position => $a->alignment->at($along), $a->alignment->begins);
        [$e, $n] = [array_map(static fn (Position $p) => $p->easting, $places), array_map(static fn (Position $p) => $p->northing, $places)];

        return $e === [] || $n === [] ? [] : [min($e), min($n), max($e), max($n)];
    }
}
