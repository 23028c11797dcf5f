<?php

declare(strict_types=1);

namespace App\Civil\Http;

use App\Civil\Actions\ChangeCivil;
use App\Civil\Actions\LookAlong;
use App\Civil\Actions\MakeAlignment;
use App\Civil\Actions\PointsOfAlignment;
use App\Civil\Actions\PointsOfSurfaces;
use App\Civil\AlignmentDrawn;
use App\Civil\AlignmentEntry;
use App\Civil\AlignmentGiven;
use App\Civil\AlignmentHeights;
use App\Civil\AlignmentPoint;
use App\Civil\AlignmentPoints;
use App\Civil\AlignmentToMake;
use App\Civil\CivilChange;
use App\Civil\CivilChoices;
use App\Civil\HeightsAlong;
use App\Civil\Models\CivilAlignment;
use App\Civil\PointBeside;
use App\Civil\RoadSection;
use App\Civil\SectionWanted;
use App\Civil\SlopeStakes;
use App\Civil\StationPlace;
use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Patch;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Page;
use App\Projects\Http\CountResource;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Alignments with their heights and sections, and points along them. */
final class AlignmentController
{
    #[Get('/projects/{project}/alignments', 'All alignments, as the plan draws them, with their stations, profiles and sections', AlignmentEntry::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        $choices = CivilChoices::of($project);
        $page = Page::of($request);
        $rows = $page->narrow(CivilAlignment::query()->where('project_id', $project->id)->whereNull('removed_at'))->get();

        return $page->answer($request, $rows->map(static fn (CivilAlignment $a) => AlignmentEntry::of($a, $choices))->all(), $rows->last()?->id);
    }

    #[Post('/projects/{project}/alignments', 'Makes an alignment of points of intersection, elements, or lines that were touched', AlignmentToMake::class, AlignmentEntry::class)]
    public function store(Request $request, Project $project, MakeAlignment $make): JsonResponse
    {
        return new JsonResponse(AlignmentEntry::of($make->make($project, Body::read($request, AlignmentToMake::class)), CivilChoices::of($project)));
    }

    #[Post('/projects/{project}/compute-alignment', 'What an alignment would be, while it is typed; stores nothing', AlignmentGiven::class, AlignmentDrawn::class)]
    public function compute(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(AlignmentDrawn::of(MakeAlignment::geometry($project, Body::read($request, AlignmentGiven::class)), CivilChoices::of($project)));
    }

    #[Put('/projects/{project}/alignments/{alignment}', 'Changes an alignment that was made here', AlignmentToMake::class, AlignmentEntry::class)]
    public function update(Request $request, Project $project, int $alignment, MakeAlignment $make): JsonResponse
    {
        return new JsonResponse(AlignmentEntry::of($make->change($project, $alignment, Body::read($request, AlignmentToMake::class)), CivilChoices::of($project)));
    }

    #[Put('/projects/{project}/alignments/{alignment}/heights', 'Gives an alignment a profile, or a template of what lies across it', AlignmentHeights::class, AlignmentEntry::class)]
    public function heights(Request $request, Project $project, int $alignment, MakeAlignment $make): JsonResponse
    {
        return new JsonResponse(AlignmentEntry::of($make->heights($project, $alignment, Body::read($request, AlignmentHeights::class)), CivilChoices::of($project)));
    }

    #[Patch('/projects/{project}/alignments/{alignment}', 'Names an alignment, shows or hides it', CivilChange::class)]
    public function change(Request $request, Project $project, int $alignment, ChangeCivil $change): JsonResponse
    {
        $change->change($project, CivilAlignment::inProject($project, $alignment), Body::read($request, CivilChange::class));

        return new JsonResponse(null, 204);
    }

    #[Delete('/projects/{project}/alignments/{alignment}', 'Removes an alignment; undo brings it back')]
    public function destroy(Project $project, int $alignment, ChangeCivil $change): JsonResponse
    {
        $change->remove($project, CivilAlignment::inProject($project, $alignment));

        return new JsonResponse(null, 204);
    }

    #[Get('/projects/{project}/alignments/{alignment}/places', 'Reads a station as people type it: the places that have it, several where stations overlap', StationPlace::class, list: true, query: StationQuery::class)]
    public function places(Request $request, Project $project, int $alignment): JsonResponse
    {
        return new JsonResponse(StationPlace::read($project, CivilAlignment::inProject($project, $alignment), Body::read($request, StationQuery::class)->text));
    }

    #[Get('/projects/{project}/alignments/{alignment}/surfaces', 'Heights of the surfaces that are shown, along an alignment', HeightsAlong::class, list: true)]
    public function profile(Project $project, int $alignment, LookAlong $look): JsonResponse
    {
        return new JsonResponse($look->profile($project, $alignment));
    }

    #[Post('/projects/{project}/alignments/{alignment}/beside', 'Where points stand along and beside an alignment; stores nothing', BesideBody::class, PointBeside::class, list: true)]
    public function beside(Request $request, Project $project, int $alignment): JsonResponse
    {
        return new JsonResponse(PointBeside::of($project, CivilAlignment::inProject($project, $alignment), Body::read($request, BesideBody::class)->ids));
    }

    #[Post('/projects/{project}/alignments/{alignment}/section', 'What lies across an alignment at a station', SectionWanted::class, RoadSection::class)]
    public function section(Request $request, Project $project, int $alignment, LookAlong $look): JsonResponse
    {
        return new JsonResponse($look->section($project, $alignment, Body::read($request, SectionWanted::class)));
    }

    #[Post('/projects/{project}/alignments/{alignment}/compute-points', 'Points along an alignment as they would be made; stores nothing', AlignmentPoints::class, AlignmentPoint::class, list: true)]
    public function previewPoints(Request $request, Project $project, int $alignment, PointsOfAlignment $points): JsonResponse
    {
        return new JsonResponse($points->preview($project, $alignment, Body::read($request, AlignmentPoints::class)));
    }

    #[Post('/projects/{project}/alignments/{alignment}/points', 'Makes points along an alignment', AlignmentPoints::class, CountResource::class)]
    public function keepPoints(Request $request, Project $project, int $alignment, PointsOfAlignment $points): JsonResponse
    {
        return new JsonResponse(new CountResource($points->keep($project, $alignment, Body::read($request, AlignmentPoints::class))));
    }

    #[Post('/projects/{project}/alignments/{alignment}/compute-slope-stakes', 'Where the side slopes of a road meet the ground; stores nothing', SlopeStakes::class, AlignmentPoint::class, list: true)]
    public function previewSlopeStakes(Request $request, Project $project, int $alignment, PointsOfSurfaces $points): JsonResponse
    {
        return new JsonResponse($points->slopeStakes($project, $alignment, Body::read($request, SlopeStakes::class)));
    }

    #[Post('/projects/{project}/alignments/{alignment}/slope-stakes', 'Makes points where the side slopes of a road meet the ground', SlopeStakes::class, CountResource::class)]
    public function keepSlopeStakes(Request $request, Project $project, int $alignment, PointsOfSurfaces $points): JsonResponse
    {
        return new JsonResponse(new CountResource($points->keepSlopeStakes($project, $alignment, Body::read($request, SlopeStakes::class))));
    }
}
