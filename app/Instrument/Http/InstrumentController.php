<?php

declare(strict_types=1);

namespace App\Instrument\Http;

use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Instrument\LeadState;
use App\Instrument\LiveState;
use App\Instrument\Models\QueuedInstruction;
use App\Projects\Models\Project;
use App\Stakeout\Actions\LeadInstrument;
use App\Stakeout\Actions\TellInstrument;
use App\Stakeout\LeadBody;
use App\Stakeout\Live;
use App\Stakeout\LiveQuery;
use App\Stakeout\LiveView;
use App\Stakeout\MeasureOrder;
use App\Stakeout\TurnOrder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class InstrumentController
{
    #[Get('/projects/{project}/live', 'What the instrument says this instant, where the pole is, and how to move it to a target', Live::class, query: LiveQuery::class)]
    public function live(Request $request, int $project): JsonResponse
    {
        $asked = Body::read($request, LiveQuery::class);
        if ($asked->since !== null) {
            LiveState::awaitNews($asked->since);
        }

        return new JsonResponse(LiveView::of($project, $asked, Speaker::of($request)));
    }

    #[Get('/projects/{project}/instructions/{instruction}', 'What became of something the instrument was told', InstructionResource::class)]
    public function instruction(Project $project, int $instruction): JsonResponse
    {
        return new JsonResponse(
            InstructionResource::of(QueuedInstruction::query()->where('project_id', $project->id)->findOrFail($instruction)),
        );
    }

    #[Post('/projects/{project}/instrument/turn', 'Turns the instrument to control, to a stakeout point, or to what was chosen in the field', TurnOrder::class, InstructionResource::class)]
    public function turn(Request $request, Project $project, TellInstrument $tell): JsonResponse
    {
        LeadInstrument::claim(Speaker::of($request));

        return new JsonResponse(InstructionResource::of($tell->turn($project, Body::read($request, TurnOrder::class))));
    }

    #[Post('/projects/{project}/instrument/measure', 'Measures on purpose; the reading goes into the field book', MeasureOrder::class, InstructionResource::class)]
    public function measure(Request $request, Project $project, TellInstrument $tell): JsonResponse
    {
        LeadInstrument::claim(Speaker::of($request));

        return new JsonResponse(InstructionResource::of($tell->measure($project, Body::read($request, MeasureOrder::class))));
    }

    #[Post('/projects/{project}/instrument/track', 'Follows the prism, or only holds it', TrackBody::class, InstructionResource::class)]
    public function track(Request $request, Project $project, TellInstrument $tell): JsonResponse
    {
        LeadInstrument::claim(Speaker::of($request));
        $body = Body::read($request, TrackBody::class);

        return new JsonResponse(InstructionResource::of($tell->track($project, $body->key, $body->on)));
    }

    #[Post('/projects/{project}/instrument/search', 'Looks for the prism', KeyBody::class, InstructionResource::class)]
    public function search(Request $request, Project $project, TellInstrument $tell): JsonResponse
    {
        LeadInstrument::claim(Speaker::of($request));

        return new JsonResponse(InstructionResource::of($tell->search($project, Body::read($request, KeyBody::class)->key)));
    }

    #[Post('/projects/{project}/instrument/cancel', 'Stops whatever the instrument is doing; anybody may', KeyBody::class, InstructionResource::class)]
    public function cancel(Request $request, Project $project, TellInstrument $tell): JsonResponse
    {
        return new JsonResponse(InstructionResource::of($tell->cancel($project, Body::read($request, KeyBody::class)->key)));
    }

    #[Post('/projects/{project}/instrument/lead', 'Asks for the lead of the instrument, gives it, keeps it, or takes it where nobody answers; the header Parlay-Device says who', LeadBody::class, LeadState::class)]
    public function lead(Request $request, Project $project, LeadInstrument $lead): JsonResponse
    {
        $device = Speaker::of($request);

        return new JsonResponse(LeadState::of($lead($device, Body::read($request, LeadBody::class)->do), $device));
    }
}
