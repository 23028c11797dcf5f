<?php

declare(strict_types=1);

namespace App\Control\Http;

use App\Cogo\Actions\PreviewGrid;
use App\Cogo\GridWanted;
use App\Control\Actions\KeepGridLines;
use App\Control\Models\GridLine;
use App\Control\TypedGridLine;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Page;
use App\Projects\Http\CountResource;
use App\Projects\Http\IdsBody;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Parlay\Core\Control\GridLine as Line;

/** The building's grid: lines found in a drawing or typed, corrected by hand. */
final class GridController
{
    #[Get('/projects/{project}/grid-lines', 'The grid lines', GridLineResource::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        $page = Page::of($request);
        $rows = $page->narrow(GridLine::of($project))->get();

        return $page->answer($request, $rows->map(GridLineResource::of(...))->all(), $rows->last()?->id);
    }

    #[Get('/projects/{project}/grid-spacings', 'How far each grid line lies from the one before it in its family', GridSpacingResource::class, list: true)]
    public function spacings(Project $project): JsonResponse
    {
        return new JsonResponse(GridSpacingResource::between(GridLine::of($project)->orderBy('id')->get()));
    }

    #[Post('/projects/{project}/grid-preview', 'Finds or works out grid lines; stores nothing', GridWanted::class, GridLineResource::class, list: true)]
    public function preview(Request $request, Project $project, PreviewGrid $preview): JsonResponse
    {
        return new JsonResponse(
            array_map(static fn (Line $l) => GridLineResource::found($l), $preview($project, Body::read($request, GridWanted::class))),
        );
    }

    #[Post('/projects/{project}/grid-lines', 'Keeps grid lines', GridLinesBody::class, CountResource::class)]
    public function store(Request $request, Project $project, KeepGridLines $keep): JsonResponse
    {
        return new JsonResponse(new CountResource($keep->keep($project, Body::read($request, GridLinesBody::class)->lines)));
    }

    #[Put('/projects/{project}/grid-lines/{line}', 'Corrects a grid line', TypedGridLine::class, GridLineResource::class)]
    public function update(Request $request, Project $project, int $line, KeepGridLines $keep): JsonResponse
    {
        return new JsonResponse(GridLineResource::of($keep->correct($project, $line, Body::read($request, TypedGridLine::class))));
    }

    #[Post('/projects/{project}/grid-lines-deletion', 'Deletes grid lines; undo brings them back', IdsBody::class, CountResource::class)]
    public function destroy(Request $request, Project $project, KeepGridLines $keep): JsonResponse
    {
        return new JsonResponse(new CountResource($keep->delete($project, Body::read($request, IdsBody::class)->ids)));
    }
}
