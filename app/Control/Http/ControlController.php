<?php

declare(strict_types=1);

namespace App\Control\Http;

use App\Cogo\Actions\KeepControlPoint;
use App\Cogo\TypedControl;
use App\Control\Models\ControlPoint;
use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Page;
use App\Projects\Http\DeleteQuery;
use App\Projects\Models\Project;
use App\Setups\Actions\KeepMeasuredControl;
use App\Setups\Actions\SightedMarks;
use App\Setups\ControlToKeep;
use App\Setups\SightedMark;
use App\Setups\SightedMarkToKeep;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class ControlController
{
    #[Post('/projects/{project}/measured-control', 'Keeps new control that was measured from a setup, averaged with earlier shots on '
        .'it', ControlToKeep::class, ControlPointResource::class)]
    public function measured(Request $request, Project $project, KeepMeasuredControl $keep): JsonResponse
    {
        return new JsonResponse(ControlPointResource::of($keep($project, Body::read($request, ControlToKeep::class))));
    }

    #[Get('/projects/{project}/sighted-marks', 'The marks that the setup that holds was turned by, and that are no control', SightedMark::class, list: true)]
    public function sighted(Project $project): JsonResponse
    {
        return new JsonResponse(SightedMarks::of($project));
    }

    #[Post('/projects/{project}/sighted-marks', 'Keeps one of them as control, with its uncertainty', SightedMarkToKeep::class, ControlPointResource::class)]
    public function keepSighted(Request $request, Project $project, SightedMarks $marks): JsonResponse
    {
        return new JsonResponse(ControlPointResource::of($marks->keep($project, Body::read($request, SightedMarkToKeep::class))));
    }

    #[Get('/projects/{project}/control', 'All control points', ControlPointResource::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        $page = Page::of($request);
        $rows = $page->narrow(ControlPoint::of($project))->get();

        return $page->answer($request, $rows->map(ControlPointResource::of(...))->all(), $rows->last()?->id);
    }

    #[Post('/projects/{project}/control', 'Stores a control point typed by hand', TypedControl::class, ControlPointResource::class)]
    public function store(Request $request, Project $project, KeepControlPoint $keep): JsonResponse
    {
        return new JsonResponse(ControlPointResource::of($keep($project, Body::read($request, TypedControl::class), null)));
    }

    #[Put('/projects/{project}/control/{control}', 'Changes a control point; setups keep what they were computed from', TypedControl::class, ControlPointResource::class)]
    public function update(Request $request, Project $project, int $control, KeepControlPoint $keep): JsonResponse
    {
        return new JsonResponse(ControlPointResource::of(
            $keep($project, Body::read($request, TypedControl::class), ControlPoint::of($project)->findOrFail($control)),
        ));
    }

    #[Delete('/projects/{project}/control/{control}', 'Deletes a control point; asks (409) where setups or checks hang on it, undo '
        .'brings it back', query: DeleteQuery::class)]
    public function destroy(Request $request, Project $project, int $control, KeepControlPoint $keep): JsonResponse
    {
        $keep->delete($project, $control, Body::read($request, DeleteQuery::class)->evenHeld);

        return new JsonResponse(null, 204);
    }
}
