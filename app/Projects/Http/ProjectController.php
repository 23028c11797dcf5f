<?php

declare(strict_types=1);

namespace App\Projects\Http;

use App\Clock;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\SentFile;
use App\Packing\Actions\UnpackProject;
use App\Packing\Tasks\PackProject;
use App\Practice\Actions\GoToSite;
use App\Projects\Actions\ChangeProject;
use App\Projects\Actions\CreateProject;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Projects\ProjectSettings;
use App\Projects\Upload;
use App\Projects\Uploads;
use App\Tasks\Http\TaskResource;
use App\Tasks\Models\Task;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final class ProjectController
{
    #[Get('/projects', 'All projects, the one opened last first', ProjectSummary::class, list: true)]
    public function index(): JsonResponse
    {
        return new JsonResponse(Project::query()->orderByDesc('opened_at')->get()->map(ProjectSummary::of(...))->all());
    }

    #[Post('/projects', 'Starts a project', ProjectSettings::class, ProjectResource::class)]
    public function store(Request $request, CreateProject $create): JsonResponse
    {
        return new JsonResponse(ProjectResource::of($create(Body::read($request, ProjectSettings::class))));
    }

    #[Get('/projects/{project}', 'One project with how far its day has come', ProjectResource::class)]
    public function show(Project $project): JsonResponse
    {
        return new JsonResponse(ProjectResource::of($project));
    }

    #[Put('/projects/{project}', 'Changes name, units and tolerances: only what is shown, never what is stored', ProjectSettings::class, ProjectResource::class)]
    public function update(Request $request, Project $project, ChangeProject $change): JsonResponse
    {
        $change($project, Body::read($request, ProjectSettings::class));

        return new JsonResponse(ProjectResource::of($project));
    }

    #[Post('/projects/{project}/open', 'Says that this project is being worked on', null, ProjectResource::class)]
    public function open(Project $project, GoToSite $goToSite): JsonResponse
    {
        $project->update(['opened_at' => Clock::stamp()]);
        $goToSite($project);

        return new JsonResponse(ProjectResource::of($project));
    }

    #[Post('/projects/{project}/undo', 'Undoes the last step of preparation; asks (409) where marks or setups hang on what would '
        .'vanish', UndoBody::class, UndoneResource::class)]
    public function undo(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(new UndoneResource(Preparation::undo($project, Body::read($request, UndoBody::class)->evenHeld)));
    }

    #[Post('/projects/{project}/redo', 'Does again what was undone last; asks (409) as undo does', UndoBody::class, UndoneResource::class)]
    public function redo(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(new UndoneResource(Preparation::redo($project, Body::read($request, UndoBody::class)->evenHeld)));
    }

    #[Post('/projects/{project}/packing', 'Packs a whole project into one file: design, control, points, field book and the original '
        .'files; fetch it when the task is done', null, TaskResource::class)]
    public function pack(Project $project, StartTask $start): JsonResponse
    {
        return new JsonResponse(TaskResource::of($start($project, TaskKind::Pack, [])));
    }

    #[Get('/projects/{project}/packed/{task}', 'A packed project', media: 'application/zip')]
    public function packed(Project $project, int $task): BinaryFileResponse
    {
        $row = Task::query()->where('project_id', $project->id)
            ->where('kind', TaskKind::Pack->value)
            ->where('state', 'done')
            ->findOrFail($task);
        $name = (Str::slug($project->name) ?: 'project').'-'.substr($row->created_at, 0, 10).'.parlay.zip';

        return new BinaryFileResponse(
            PackProject::path($row), 200,
            ['Content-Type' => 'application/zip', 'Content-Disposition' => "attachment; filename=\"$name\""],
        );
    }

    #[Post('/packed-uploads', 'Brings a packed project in, as multipart form data in the field “file”; nothing is read of it yet', null, Upload::class)]
    public function uploadPacked(Request $request): JsonResponse
    {
        return new JsonResponse(SentFile::keep($request, null));
    }

    #[Post('/projects-unpacking', 'Makes a project of a packed one, beside those that are here; a damaged or altered file is refused '
        .'whole. It is there when the task is done', RestoreBody::class, UnpackingResource::class)]
    public function unpack(Request $request, StartTask $start): JsonResponse
    {
        $upload = Body::read($request, RestoreBody::class)->upload;
        Uploads::require($upload, null);
        $project = UnpackProject::begin();

        return new JsonResponse(
            new UnpackingResource($project->id, TaskResource::of($start($project, TaskKind::Unpack, ['upload' => $upload]))),
        );
    }
}
