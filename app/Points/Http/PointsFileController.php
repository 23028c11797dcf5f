<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Http\Body;
use App\Http\FileOut;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\SentFile;
use App\Lists\Actions\PointsOut;
use App\Lists\Actions\PreviewPoints;
use App\Lists\Actions\SurveyOut;
use App\Lists\Actions\TakePoints;
use App\Lists\PointsFileWanted;
use App\Lists\PointsPreview;
use App\Lists\PointsToPreview;
use App\Lists\PointsToTake;
use App\Projects\Models\Project;
use App\Projects\Upload;
use App\Projects\Uploads;
use App\Tasks\Http\TaskResource;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Lists of points, in and out: control and stakeout points. */
final class PointsFileController
{
    /** Longer files are read beside the requests. */
    private const SHORT = 400_000;

    #[Post('/projects/{project}/uploads', 'Brings a file in, as multipart form data in the field “file”; nothing is read of it yet', null, Upload::class)]
    public function upload(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(SentFile::keep($request, $project));
    }

    #[Post('/projects/{project}/points-preview', 'Reads an uploaded list of points as told, or as guessed, and looks it over; stores '
        .'nothing', PointsToPreview::class, PointsPreview::class)]
    public function preview(Request $request, Project $project, PreviewPoints $preview, StartTask $start): JsonResponse
    {
        $body = Body::read($request, PointsToPreview::class);
        Uploads::require($body->upload, $project);
        if (filesize(Uploads::path($body->upload)) > self::SHORT) {
            $task = $start($project, TaskKind::PreviewPoints, json_decode((string) json_encode($body), true));

            return new JsonResponse(PointsPreview::unread(Uploads::nameOf($body->upload), taskId: $task->id));
        }

        return new JsonResponse($preview($project, $body));
    }

    #[Post('/projects/{project}/points-import', 'Takes an uploaded list of points as control or as stakeout points; a task, done at '
        .'once where the list is short', PointsToTake::class, TaskResource::class)]
    public function import(Request $request, Project $project, TakePoints $take, StartTask $start): JsonResponse
    {
        $body = Body::read($request, PointsToTake::class);
        Uploads::require($body->upload, $project);
        if (filesize(Uploads::path($body->upload)) > self::SHORT) {
            return new JsonResponse(
                TaskResource::of($start($project, TaskKind::TakePoints, json_decode((string) json_encode($body), true))),
            );
        }

        return new JsonResponse(
            new TaskResource(0, TaskKind::TakePoints->value, 'done', null, ['count' => $take($project, $body)], 1.0, ''),
        );
    }

    #[Get('/projects/{project}/points-file', 'Points as a file: format csv, dxf, landxml or geojson; what: control, points, as-built', query: PointsFileWanted::class, media: 'application/octet-stream')]
    public function export(Request $request, Project $project, PointsOut $out): StreamedResponse
    {
        $body = Body::read($request, PointsFileWanted::class);
        [$pieces, $name, $type] = $out($project, $body);

        return FileOut::pieces($pieces, $name, $type);
    }

    #[Get('/projects/{project}/survey.xml', 'Control, points, what was measured, setups and all raw readings as LandXML', media: 'application/xml')]
    public function survey(Project $project, SurveyOut $out): StreamedResponse
    {
        return FileOut::pieces($out($project), (Str::slug($project->name) ?: 'project').'-survey.xml', 'application/xml');
    }
}
