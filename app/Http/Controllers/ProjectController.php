<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CreateProject;
use App\Clock;
use App\Http\Bodies\ProjectBody;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Resources\ProjectResource;
use App\Http\Resources\ProjectSummary;
use App\Http\Resources\UndoneResource;
use App\Models\Project;
use App\Preparation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ProjectController
{
    #[Get('/projects', 'All projects, the one opened last first', ProjectSummary::class, list: true)]
    public function index(): JsonResponse
    {
        return new JsonResponse(Project::query()->orderByDesc('opened_at')->get()->map(ProjectSummary::of(...))->all());
    }

    #[Post('/projects', 'Starts a project', ProjectBody::class, ProjectResource::class)]
    public function store(Request $request, CreateProject $create): JsonResponse
    {
        return new JsonResponse(ProjectResource::of($create(Body::read($request, ProjectBody::class))));
    }

    #[Get('/projects/{project}', 'One project with how far its day has come', ProjectResource::class)]
    public function show(Project $project): JsonResponse
    {
        return new JsonResponse(ProjectResource::of($project));
    }

    #[Put('/projects/{project}', 'Changes name, units and tolerances: only what is shown, never what is stored', ProjectBody::class, ProjectResource::class)]
    public function update(Request $request, Project $project): JsonResponse
    {
        $project->update(CreateProject::columns(Body::read($request, ProjectBody::class)));
        $project->changed();

        return new JsonResponse(ProjectResource::of($project));
    }

    #[Post('/projects/{project}/open', 'Says that this project is being worked on', null, ProjectResource::class)]
    public function open(Project $project): JsonResponse
    {
        $project->update(['opened_at' => Clock::stamp()]);

        return new JsonResponse(ProjectResource::of($project));
    }

    #[Post('/projects/{project}/undo', 'Undoes the last step of preparation', null, UndoneResource::class)]
    public function undo(Project $project): JsonResponse
    {
        return new JsonResponse(new UndoneResource(Preparation::undo($project)));
    }

    #[Post('/projects/{project}/redo', 'Does again what was undone last', null, UndoneResource::class)]
    public function redo(Project $project): JsonResponse
    {
        return new JsonResponse(new UndoneResource(Preparation::redo($project)));
    }
}
