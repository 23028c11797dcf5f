<?php

declare(strict_types=1);

namespace App\Instrument\Http;

use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Instrument\Actions\KeepEquipment;
use App\Instrument\Models\Instrument;
use App\Instrument\Models\Target;
use App\Instrument\TypedInstrument;
use App\Instrument\TypedTarget;
use App\Projects\Http\DeleteQuery;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The project's instruments and targets. */
final class EquipmentController
{
    #[Get('/projects/{project}/instruments', 'The project’s instruments', InstrumentResource::class, list: true)]
    public function instruments(Project $project): JsonResponse
    {
        return new JsonResponse(Instrument::of($project)->orderBy('name')->get()->map(InstrumentResource::of(...))->all());
    }

    #[Post('/projects/{project}/instruments', 'Adds an instrument', TypedInstrument::class, InstrumentResource::class)]
    public function addInstrument(Request $request, Project $project, KeepEquipment $keep): JsonResponse
    {
        return new JsonResponse(InstrumentResource::of($keep->instrument($project, Body::read($request, TypedInstrument::class), null)));
    }

    #[Put('/projects/{project}/instruments/{instrument}', 'Changes an instrument; what was measured keeps what it was measured with', TypedInstrument::class, InstrumentResource::class)]
    public function changeInstrument(Request $request, Project $project, int $instrument, KeepEquipment $keep): JsonResponse
    {
        return new JsonResponse(InstrumentResource::of(
            $keep->instrument($project, Body::read($request, TypedInstrument::class), Instrument::of($project)->findOrFail($instrument)),
        ));
    }

    #[Delete('/projects/{project}/instruments/{instrument}', 'Takes an instrument off the list; asks (409) where setups name it', query: DeleteQuery::class)]
    public function dropInstrument(Request $request, Project $project, int $instrument, KeepEquipment $keep): JsonResponse
    {
        $keep->drop($project, Instrument::of($project)->findOrFail($instrument), Body::read($request, DeleteQuery::class)->evenHeld);

        return new JsonResponse(null, 204);
    }

    #[Get('/projects/{project}/targets', 'The project’s targets', TargetResource::class, list: true)]
    public function targets(Project $project): JsonResponse
    {
        return new JsonResponse(Target::of($project)->orderBy('name')->get()->map(TargetResource::of(...))->all());
    }

    #[Post('/projects/{project}/targets', 'Adds a target', TypedTarget::class, TargetResource::class)]
    public function addTarget(Request $request, Project $project, KeepEquipment $keep): JsonResponse
    {
        return new JsonResponse(TargetResource::of($keep->target($project, Body::read($request, TypedTarget::class), null)));
    }

    #[Put('/projects/{project}/targets/{target}', 'Changes a target; what was measured keeps what it was measured with', TypedTarget::class, TargetResource::class)]
    public function changeTarget(Request $request, Project $project, int $target, KeepEquipment $keep): JsonResponse
    {
        return new JsonResponse(
            TargetResource::of($keep->target($project, Body::read($request, TypedTarget::class), Target::of($project)->findOrFail($target))),
        );
    }

    #[Delete('/projects/{project}/targets/{target}', 'Takes a target off the list; asks (409) where setups name it', query: DeleteQuery::class)]
    public function dropTarget(Request $request, Project $project, int $target, KeepEquipment $keep): JsonResponse
    {
        $keep->drop($project, Target::of($project)->findOrFail($target), Body::read($request, DeleteQuery::class)->evenHeld);

        return new JsonResponse(null, 204);
    }
}
