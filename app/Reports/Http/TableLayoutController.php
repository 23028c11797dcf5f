<?php

declare(strict_types=1);

namespace App\Reports\Http;

use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Put;
use App\Projects\Models\Project;
use App\Reports\Actions\KeepTableLayout;
use App\Reports\Models\TableLayout;
use App\Reports\TableColumns;
use App\Reports\TableColumnsResource;
use App\Reports\TableLayoutEntry;
use App\Reports\TableLayoutWanted;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class TableLayoutController
{
    #[Get('/projects/{project}/table-layouts', 'The columns that the report’s table has, and which of them are kept under a name', TableColumnsResource::class)]
    public function index(Project $project): JsonResponse
    {
        return new JsonResponse(new TableColumnsResource(
            TableColumns::all($project), array_values(TableLayout::of($project)->orderBy('name')->get()->map(TableLayoutEntry::of(...))->all()),
        ));
    }

    #[Put('/projects/{project}/table-layouts', 'Keeps columns of the report’s table under a name', TableLayoutWanted::class, TableLayoutEntry::class)]
    public function keep(Request $request, Project $project, KeepTableLayout $keep): JsonResponse
    {
        return new JsonResponse(TableLayoutEntry::of($keep->keep($project, Body::read($request, TableLayoutWanted::class))));
    }

    #[Delete('/projects/{project}/table-layouts/{layout}', 'Forgets which columns were kept under a name')]
    public function forget(Project $project, int $layout, KeepTableLayout $keep): JsonResponse
    {
        $keep->forget($project, $layout);

        return new JsonResponse(null, 204);
    }
}
