<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AcceptSetup;
use App\Actions\SetupDrafts;
use App\Actions\SolveSetup;
use App\Actions\TakeReadings;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Http\Bodies\AcceptBody;
use App\Http\Bodies\DraftChangeBody;
use App\Http\Bodies\DraftLineBody;
use App\Http\Bodies\RawTextBody;
use App\Http\Bodies\SiteLineBody;
use App\Http\Bodies\TypedReadingsBody;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Patch;
use App\Http\OpenApi\Post;
use App\Http\Resources\AcceptedSetup;
use App\Http\Resources\RawTextResource;
use App\Http\Resources\SetupState;
use App\Http\Resources\TaskResource;
use App\Models\Project;
use App\Setup\DraftView;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class SetupController
{
    #[Get('/projects/{project}/setup', 'The setup being made, what it would give, and the one that holds', SetupState::class)]
    public function show(Project $project, SolveSetup $solve): JsonResponse
    {
        return new JsonResponse(DraftView::of($project, $solve));
    }

    #[Patch('/projects/{project}/setup', 'Changes what is given of the setup being made: method, heights, air, sights', DraftChangeBody::class, SetupState::class)]
    public function update(Request $request, Project $project, SolveSetup $solve): JsonResponse
    {
        SetupDrafts::change($project, Body::read($request, DraftChangeBody::class));

        return new JsonResponse(DraftView::of($project, $solve));
    }

    #[Post('/projects/{project}/site-lines', 'The ends of a line that is to be shot at, from a drawing or two places; stores nothing', SiteLineBody::class, DraftLineBody::class)]
    public function siteLine(Request $request, Project $project): JsonResponse
    {
        $given = Body::read($request, SiteLineBody::class)->line;
        [$from, $to] = (new Givens($project, new DrawnShapes($project)))->drawn($given);

        return new JsonResponse(new DraftLineBody('', $from->northing, $from->easting, $to->northing, $to->easting, $given->offset));
    }

    #[Post('/projects/{project}/readings', 'Takes readings without a link into the field book and into the setup being made', TypedReadingsBody::class, SetupState::class)]
    public function readings(Request $request, Project $project, TakeReadings $take, SolveSetup $solve): JsonResponse
    {
        $take($project, Body::read($request, TypedReadingsBody::class));

        return new JsonResponse(DraftView::of($project, $solve));
    }

    #[Post('/projects/{project}/raw-text-preview', 'Reads a text of raw observations, both faces and all rounds made into one for each point; stores nothing', RawTextBody::class, RawTextResource::class)]
    public function rawText(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(TakeReadings::preview($project, Body::read($request, RawTextBody::class)->text));
    }

    #[Post('/projects/{project}/setups/{setup}/sheet', 'Prints a setup with all it rests on as PDF; fetch it as a report when the task is done', null, TaskResource::class)]
    public function sheet(Project $project, int $setup, StartTask $start): JsonResponse
    {
        return new JsonResponse(TaskResource::of($start($project, TaskKind::SetupSheet, ['setupId' => $project->setups()->findOrFail($setup)->id])));
    }

    #[Post('/projects/{project}/setups', 'Accepts the setup being made', AcceptBody::class, AcceptedSetup::class)]
    public function accept(Request $request, Project $project, AcceptSetup $accept): JsonResponse
    {
        $body = Body::read($request, AcceptBody::class);

        return new JsonResponse(AcceptedSetup::of($accept($project, $body->key, $body->seenReadings)));
    }
}
