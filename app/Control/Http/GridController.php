<?php

declare(strict_types=1);

namespace App\Control\Http;

use App\Control\Actions\PreviewGrid;
use App\Control\GridWanted;
use App\Control\Models\GridLine;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Points\PointName;
use App\Projects\Http\CountResource;
use App\Projects\Http\IdsBody;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Seen;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Parlay\Core\Control\GridLine as Line;

/** The building's grid: lines found in a drawing or typed, corrected by hand. */
final class GridController
{
    #[Get('/projects/{project}/grid-lines', 'The grid lines', GridLineResource::class, list: true)]
    public function index(Project $project): JsonResponse
    {
        return new JsonResponse($project->gridLines()->orderBy('id')->get()->map(GridLineResource::of(...))->all());
    }

    #[Get('/projects/{project}/grid-spacings', 'How far each grid line lies from the one before it in its family', GridSpacingResource::class, list: true)]
    public function spacings(Project $project): JsonResponse
    {
        return new JsonResponse(GridSpacingResource::between($project->gridLines()->orderBy('id')->get()));
    }

    #[Post('/projects/{project}/grid-preview', 'Finds or works out grid lines; stores nothing', GridWanted::class, GridLineResource::class, list: true)]
    public function preview(Request $request, Project $project, PreviewGrid $preview): JsonResponse
    {
        return new JsonResponse(
            array_map(static fn (Line $l) => GridLineResource::found($l), $preview($project, Body::read($request, GridWanted::class))),
        );
    }

    #[Post('/projects/{project}/grid-lines', 'Keeps grid lines', GridLinesBody::class, CountResource::class)]
    public function store(Request $request, Project $project): JsonResponse
    {
        $lines = Body::read($request, GridLinesBody::class)->lines;
        Preparation::step($project, count($lines).' grid lines', static function (Preparation $step) use ($project, $lines): void {
            $known = $project->gridLines()->get()->keyBy('name');
            foreach ($lines as $line) {
                $values = self::columns($line);
                $row = $known->get($values['name']);
                if ($row === null) {
                    $known[$values['name']] = $step->create(new GridLine(['project_id' => $project->id] + $values));
                } else {
                    $step->update($row, $values);
                }
            }
        });

        return new JsonResponse(new CountResource(count($lines)));
    }

    #[Put('/projects/{project}/grid-lines/{line}', 'Corrects a grid line', GridLineBody::class, GridLineResource::class)]
    public function update(Request $request, Project $project, int $line): JsonResponse
    {
        $body = Body::read($request, GridLineBody::class);
        $row = $project->gridLines()->findOrFail($line);
        $name = PointName::checked($body->name);
        if ($project->gridLines()->where('name', $name)->whereKeyNot($line)->exists()) {
            throw new \DomainException("There is a grid line “{$name}” already.");
        }
        Preparation::step($project, "Grid line $name", static function (Preparation $step) use ($row, $body): void {
            Seen::refuseOther($row->refresh(), $body->seen === null ? null : self::columns($body->seen), $row->name);
            $step->update($row, self::columns($body));
        });

        return new JsonResponse(GridLineResource::of($row));
    }

    #[Post('/projects/{project}/grid-lines-deletion', 'Deletes grid lines; undo brings them back', IdsBody::class, CountResource::class)]
    public function destroy(Request $request, Project $project): JsonResponse
    {
        $lines = $project->gridLines()->whereIn('id', Body::read($request, IdsBody::class)->ids)->get();
        Preparation::step(
            $project, "Deleted {$lines->count()} grid lines",
            static fn (Preparation $step) => $lines->each(static fn (GridLine $l) => $step->delete($l)),
        );

        return new JsonResponse(new CountResource($lines->count()));
    }

    /** @return array<string, mixed> */
    private static function columns(GridLineBody $line): array
    {
        return ['name' => PointName::checked($line->name)] + array_diff_key((array) $line, ['seen' => null]);
    }
}
