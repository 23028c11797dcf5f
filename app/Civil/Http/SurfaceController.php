<?php

declare(strict_types=1);

namespace App\Civil\Http;

use App\Civil\Actions\BuildSurface;
use App\Civil\Actions\ChangeCivil;
use App\Civil\Actions\CivilOut;
use App\Civil\Actions\MakeSurface;
use App\Civil\Actions\PointsOfSurfaces;
use App\Civil\AlignmentPoint;
use App\Civil\BuildEntry;
use App\Civil\BuildLeft;
use App\Civil\BuildToBegin;
use App\Civil\CivilChange;
use App\Civil\CivilChoices;
use App\Civil\ContourLines;
use App\Civil\GroundHere;
use App\Civil\Models\CivilSurface;
use App\Civil\Models\SurfaceBuild;
use App\Civil\ModelToTake;
use App\Civil\SurfaceEdit;
use App\Civil\SurfaceElevations;
use App\Civil\SurfaceEntry;
use App\Civil\SurfaceMeeting;
use App\Civil\SurfaceToMake;
use App\Civil\VolumeToPrint;
use App\Civil\VolumeWanted;
use App\Http\Body;
use App\Http\FileOut;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Patch;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Page;
use App\Projects\Http\CountResource;
use App\Projects\Models\Project;
use App\Projects\Uploads;
use App\Tasks\Http\TaskResource;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Parlay\Core\Geometry\Position;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Civil models as they come, and surfaces: shown, made, changed, measured against each other, and built while walking. */
final class SurfaceController
{
    #[Post('/projects/{project}/model-inspection', 'Reads an uploaded LandXML through and tells what is in it; stores nothing of it', InspectModelBody::class, TaskResource::class)]
    public function inspect(Request $request, Project $project, StartTask $start): JsonResponse
    {
        $body = Body::read($request, InspectModelBody::class);
        Uploads::require($body->upload, $project);

        return new JsonResponse(TaskResource::of($start($project, TaskKind::InspectModel, (array) $body)));
    }

    #[Post('/projects/{project}/models', 'Takes what was chosen of an uploaded LandXML', ModelToTake::class, TaskResource::class)]
    public function take(Request $request, Project $project, StartTask $start): JsonResponse
    {
        $body = Body::read($request, ModelToTake::class);
        Uploads::require($body->upload, $project);

        return new JsonResponse(TaskResource::of($start($project, TaskKind::TakeModel, json_decode((string) json_encode($body), true))));
    }

    #[Get('/projects/{project}/model-file', 'Alignments, surfaces and points as a file: LandXML, DXF, or the stations as CSV', query: CivilFileQuery::class, media: 'application/octet-stream')]
    public function file(Request $request, Project $project, CivilOut $out): StreamedResponse
    {
        [$pieces, $name, $type] = $out($project, Body::read($request, CivilFileQuery::class)->format);

        return FileOut::pieces($pieces, $name, $type);
    }

    #[Put('/projects/{project}/civil', 'Which surface is worked with, how far above or below it, and how alignments are drawn', CivilChoices::class)]
    public function choose(Request $request, Project $project, ChangeCivil $change): JsonResponse
    {
        $change->choices($project, Body::read($request, CivilChoices::class));

        return new JsonResponse(null, 204);
    }

    #[Post('/projects/{project}/ground-here', 'Where a place lies beside alignments and on surfaces; stores nothing', PlaceBody::class, GroundHere::class)]
    public function here(Request $request, Project $project): JsonResponse
    {
        $at = Body::read($request, PlaceBody::class);

        return new JsonResponse(GroundHere::of($project, new Position($at->northing, $at->easting)));
    }

    #[Get('/projects/{project}/surfaces', 'All surfaces, without their triangles', SurfaceEntry::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        $active = CivilChoices::of($project)->surfaceId;
        $page = Page::of($request);
        $rows = $page->narrow(CivilSurface::query()->where('project_id', $project->id)->whereNull('removed_at'))->get(CivilSurface::LISTED);

        return $page->answer($request, $rows->map(static fn (CivilSurface $s) => SurfaceEntry::of($s, $active))->all(), $rows->last()?->id);
    }

    #[Post('/projects/{project}/surfaces', 'Makes a surface of points and lines, or of the faces of a drawing', SurfaceToMake::class, SurfaceEntry::class)]
    public function store(Request $request, Project $project, MakeSurface $make): JsonResponse
    {
        return new JsonResponse(SurfaceEntry::of($make->make($project, Body::read($request, SurfaceToMake::class)), CivilChoices::of($project)->surfaceId));
    }

    #[Post('/projects/{project}/surfaces/{surface}/edits', 'Swaps an edge or takes out a triangle of a surface that was made here', SurfaceEdit::class, SurfaceEntry::class)]
    public function edit(Request $request, Project $project, int $surface, MakeSurface $make): JsonResponse
    {
        return new JsonResponse(SurfaceEntry::of($make->edit($project, $surface, Body::read($request, SurfaceEdit::class)), CivilChoices::of($project)->surfaceId));
    }

    #[Patch('/projects/{project}/surfaces/{surface}', 'Names a surface, says what it is, shows or hides it', CivilChange::class)]
    public function change(Request $request, Project $project, int $surface, ChangeCivil $change): JsonResponse
    {
        $change->change($project, CivilSurface::inProject($project, $surface), Body::read($request, CivilChange::class));

        return new JsonResponse(null, 204);
    }

    #[Delete('/projects/{project}/surfaces/{surface}', 'Removes a surface; undo brings it back')]
    public function destroy(Project $project, int $surface, ChangeCivil $change): JsonResponse
    {
        $change->remove($project, CivilSurface::inProject($project, $surface));

        return new JsonResponse(null, 204);
    }

    #[Get('/projects/{project}/surfaces/{surface}/tiles/{version}', 'The triangles of a surface in tiles (docs/civil.md), each after its length in bytes', media: 'application/octet-stream')]
    public function tiles(Project $project, int $surface, int $version): StreamedResponse
    {
        $packed = CivilSurface::inProject($project, $surface)->packed();

        return new StreamedResponse(static function () use ($packed): void {
            foreach ($packed->tilesToKeep() as $tile) {
                echo pack('V', strlen($tile)), $tile;
            }
        }, 200, ['Content-Type' => 'application/octet-stream', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }

    #[Post('/projects/{project}/surfaces/{surface}/contours', 'Contours of a surface at an interval', ContoursBody::class, ContourLines::class)]
    public function contours(Request $request, Project $project, int $surface): JsonResponse
    {
        return new JsonResponse(ContourLines::of(CivilSurface::inProject($project, $surface), Body::read($request, ContoursBody::class)->interval));
    }

    #[Post('/projects/{project}/surface-elevations', 'Gives points the elevation of a surface', SurfaceElevations::class, CountResource::class)]
    public function elevations(Request $request, Project $project, PointsOfSurfaces $points): JsonResponse
    {
        return new JsonResponse(new CountResource($points->elevations($project, Body::read($request, SurfaceElevations::class))));
    }

    #[Post('/projects/{project}/compute-surface-meetings', 'Where two surfaces meet along a line; stores nothing', SurfaceMeeting::class, AlignmentPoint::class, list: true)]
    public function meetings(Request $request, Project $project, PointsOfSurfaces $points): JsonResponse
    {
        return new JsonResponse($points->meetings($project, Body::read($request, SurfaceMeeting::class)));
    }

    #[Post('/projects/{project}/surface-meetings', 'Makes points where two surfaces meet along a line', SurfaceMeeting::class, CountResource::class)]
    public function keepMeetings(Request $request, Project $project, PointsOfSurfaces $points): JsonResponse
    {
        return new JsonResponse(new CountResource($points->keepMeetings($project, Body::read($request, SurfaceMeeting::class))));
    }

    #[Post('/projects/{project}/volumes', 'Works out a volume between two surfaces, or a surface and a height', VolumeWanted::class, TaskResource::class)]
    public function volume(Request $request, Project $project, StartTask $start): JsonResponse
    {
        $body = Body::read($request, VolumeWanted::class);

        return new JsonResponse(TaskResource::of($start($project, TaskKind::Volume, json_decode((string) json_encode($body), true))));
    }

    #[Post('/projects/{project}/volume-sheets', 'Prints a volume as PDF, worked out anew; fetch it as a report when the task is done', VolumeToPrint::class, TaskResource::class)]
    public function volumeSheet(Request $request, Project $project, StartTask $start): JsonResponse
    {
        $body = Body::read($request, VolumeToPrint::class);

        return new JsonResponse(TaskResource::of($start($project, TaskKind::VolumeSheet, json_decode((string) json_encode($body), true))));
    }

    #[Get('/projects/{project}/builds', 'The as-built surface that is growing, if one is', BuildEntry::class, list: true)]
    public function builds(Project $project): JsonResponse
    {
        $open = SurfaceBuild::open($project->id);

        return new JsonResponse($open === null ? [] : [BuildEntry::of($open)]);
    }

    #[Post('/projects/{project}/builds', 'Begins an as-built surface: shots from now on belong to it', BuildToBegin::class, BuildEntry::class)]
    public function beginBuild(Request $request, Project $project, BuildSurface $build): JsonResponse
    {
        return new JsonResponse(BuildEntry::of($build->begin($project, Body::read($request, BuildToBegin::class))));
    }

    #[Post('/projects/{project}/builds/{build}/leaving', 'Leaves the as-built surface: what was shot is kept as a surface, with its volume', returns: BuildLeft::class)]
    public function leaveBuild(Project $project, int $build, BuildSurface $surface): JsonResponse
    {
        return new JsonResponse($surface->leave($project, $build));
    }
}
