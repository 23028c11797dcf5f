<?php

declare(strict_types=1);

namespace App\Setups\Http;

use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Patch;
use App\Http\OpenApi\Post;
use App\Projects\Models\Project;
use App\Reports\Http\PrintBody;
use App\Setups\AcceptedSetup;
use App\Setups\Actions\AcceptSetup;
use App\Setups\Actions\SetupDrafts;
use App\Setups\Actions\SolveSetup;
use App\Setups\Actions\TakeReadings;
use App\Setups\DraftChange;
use App\Setups\DraftLine;
use App\Setups\DraftView;
use App\Setups\Models\Setup;
use App\Setups\RawText;
use App\Setups\SetupState;
use App\Setups\TypedReadings;
use App\Tasks\Http\TaskResource;
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

    #[Patch('/projects/{project}/setup', 'Changes what is given of the setup being made: method, heights, air, sights', DraftChange::class, SetupState::class)]
    public function update(Request $request, Project $project, SolveSetup $solve): JsonResponse
    {
        SetupDrafts::change($project, Body::read($request, DraftChange::class));

        return new JsonResponse(DraftView::of($project, $solve));
    }

    #[Post('/projects/{project}/site-lines', 'The ends of a line that is to be shot at, from a drawing or two places; stores nothing', SiteLineBody::class, DraftLine::class)]
    public function siteLine(Request $request, Project $project): JsonResponse
    {
        $given = Body::read($request, SiteLineBody::class)->line;
        [$from, $to] = (new Givens($project, new DrawnShapes($project)))->drawn($given);

        return new JsonResponse(new DraftLine('', $from->northing, $from->easting, $to->northing, $to->easting, $given->offset));
    }

    #[Post('/projects/{project}/readings', 'Takes readings without a link into the field book and into the setup being made', TypedReadings::class, SetupState::class)]
    public function readings(Request $request, Project $project, TakeReadings $take, SolveSetup $solve): JsonResponse
    {
        $take($project, Body::read($request, TypedReadings::class));

        return new JsonResponse(DraftView::of($project, $solve));
    }

    #[Post('/projects/{project}/raw-text-preview', 'Reads a text of raw observations, both faces and all rounds made into one for '
        .'each point; stores nothing', RawTextBody::class, RawText::class)]
    public function rawText(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(TakeReadings::preview($project, Body::read($request, RawTextBody::class)->text));
    }

    #[Post('/projects/{project}/setups/{setup}/sheet', 'Prints a setup with all it rests on as PDF; fetch it as a report when the '
        .'task is done', PrintBody::class, TaskResource::class)]
    public function sheet(Request $request, Project $project, int $setup, StartTask $start): JsonResponse
    {
        return new JsonResponse(
            TaskResource::of($start($project, TaskKind::SetupSheet, [
                'setupId' => Setup::of($project)->findOrFail($setup)->id, 'zone' => Body::read($request, PrintBody::class)->zone,
            ])),
        );
    }

    #[Post('/projects/{project}/setups', 'Accepts the setup being made', AcceptBody::class, AcceptedSetup::class)]
    public function accept(Request $request, Project $project, AcceptSetup $accept): JsonResponse
    {
        $body = Body::read($request, AcceptBody::class);

        return new JsonResponse(AcceptedSetup::of($accept($project, $body->key, $body->seenReadings)));
    }
}
