<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepEquipment;
use App\Hanging;
use App\Http\Bodies\DeleteQuery;
use App\Http\Bodies\InstrumentBody;
use App\Http\Bodies\TargetBody;
use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Resources\InstrumentEntry;
use App\Http\Resources\TargetEntry;
use App\Models\Instrument;
use App\Models\Project;
use App\Models\Target;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** The project's instruments and targets. */
final class EquipmentController
{
    #[Get('/projects/{project}/instruments', 'The project’s instruments', InstrumentEntry::class, list: true)]
    public function instruments(Project $project): JsonResponse
    {
        return new JsonResponse($project->instruments()->orderBy('name')->get()->map(InstrumentEntry::of(...))->all());
    }

    #[Post('/projects/{project}/instruments', 'Adds an instrument', InstrumentBody::class, InstrumentEntry::class)]
    public function addInstrument(Request $request, Project $project, KeepEquipment $keep): JsonResponse
    {
        return new JsonResponse(InstrumentEntry::of($keep->instrument($project, Body::read($request, InstrumentBody::class), null)));
    }

    #[Put('/projects/{project}/instruments/{instrument}', 'Changes an instrument; what was measured keeps what it was measured with', InstrumentBody::class, InstrumentEntry::class)]
    public function changeInstrument(Request $request, Project $project, int $instrument, KeepEquipment $keep): JsonResponse
    {
        return new JsonResponse(InstrumentEntry::of($keep->instrument($project, Body::read($request, InstrumentBody::class), $project->instruments()->findOrFail($instrument))));
    }

    #[Delete('/projects/{project}/instruments/{instrument}', 'Takes an instrument off the list; asks (409) where setups name it', query: DeleteQuery::class)]
    public function dropInstrument(Request $request, Project $project, int $instrument): JsonResponse
    {
        self::drop($project, $project->instruments()->findOrFail($instrument), Body::read($request, DeleteQuery::class)->evenHeld);

        return new JsonResponse(null, 204);
    }

    #[Get('/projects/{project}/targets', 'The project’s targets', TargetEntry::class, list: true)]
    public function targets(Project $project): JsonResponse
    {
        return new JsonResponse($project->targets()->orderBy('name')->get()->map(TargetEntry::of(...))->all());
    }

    #[Post('/projects/{project}/targets', 'Adds a target', TargetBody::class, TargetEntry::class)]
    public function addTarget(Request $request, Project $project, KeepEquipment $keep): JsonResponse
    {
        return new JsonResponse(TargetEntry::of($keep->target($project, Body::read($request, TargetBody::class), null)));
    }

    #[Put('/projects/{project}/targets/{target}', 'Changes a target; what was measured keeps what it was measured with', TargetBody::class, TargetEntry::class)]
    public function changeTarget(Request $request, Project $project, int $target, KeepEquipment $keep): JsonResponse
    {
        return new JsonResponse(TargetEntry::of($keep->target($project, Body::read($request, TargetBody::class), $project->targets()->findOrFail($target))));
    }

    #[Delete('/projects/{project}/targets/{target}', 'Takes a target off the list; asks (409) where setups name it', query: DeleteQuery::class)]
    public function dropTarget(Request $request, Project $project, int $target): JsonResponse
    {
        self::drop($project, $project->targets()->findOrFail($target), Body::read($request, DeleteQuery::class)->evenHeld);

        return new JsonResponse(null, 204);
    }

    private static function drop(Project $project, Instrument|Target $row, bool $evenHeld): void
    {
        DB::transaction(static function () use ($project, $row, $evenHeld): void {
            if (! $evenHeld) {
                Hanging::ask($project, [$row->getTable() => [['id' => $row->id, 'name' => $row->name]]], 'This');
            }
            $row->delete();
            $project->changed();
        });
    }
}
