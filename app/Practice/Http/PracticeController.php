<?php

declare(strict_types=1);

namespace App\Practice\Http;

use App\Http\Body;
use App\Http\FileOut;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Practice\Actions\LoadDemoProjects;
use App\Practice\Actions\PlantSite;
use App\Practice\Actions\SlippedList;
use App\Practice\PracticeWorld;
use App\Projects\Http\CountResource;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The stand-in's drawer: moves the practice world. Nothing here reaches the computation but through the instrument. */
final class PracticeController
{
    #[Get('/practice', 'The practice world as it really is', WorldResource::class)]
    public function show(PracticeWorld $world): JsonResponse
    {
        return new JsonResponse($world->do(['do' => 'look']));
    }

    #[Post('/practice', 'Does something in the practice world: {"do": "walk", ...} (docs/instrument-protocol.md)', PracticeBody::class, WorldResource::class)]
    public function store(Request $request, PracticeWorld $world): JsonResponse
    {
        $deed = array_filter((array) Body::read($request, PracticeBody::class), static fn ($value) => $value !== null);

        return new JsonResponse($world->do($deed));
    }

    #[Get('/projects/{project}/practice-list', 'The control as a list (CSV) with one slip of the pen in it, to be brought in by a '
        .'learner', query: SlippedListQuery::class, media: 'application/octet-stream')]
    public function slipped(Request $request, Project $project, SlippedList $list): StreamedResponse
    {
        $query = Body::read($request, SlippedListQuery::class);
        [$lines, $name] = $list($project, $query->slip, $query->controlId);

        return FileOut::pieces($lines, $name, FileOut::CSV);
    }

    #[Post('/demo', 'Loads the demo projects where there is no project yet', null, CountResource::class)]
    public function demo(LoadDemoProjects $load): JsonResponse
    {
        $load(static fn () => null);

        return new JsonResponse(new CountResource(Project::query()->count()));
    }

    #[Post('/projects/{project}/practice-site', 'Lays the practice site out on this project’s control, with small errors of its own', null, WorldResource::class)]
    public function plant(Project $project, PlantSite $plant): JsonResponse
    {
        return new JsonResponse($plant($project));
    }
}
