<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\PointsOut;
use App\Actions\PreviewPoints;
use App\Actions\TakePoints;
use App\Http\Bodies\PointsFileQuery;
use App\Http\Bodies\PointsImportBody;
use App\Http\Bodies\PreviewBody;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\Resources\PointsPreview;
use App\Http\Resources\TaskResource;
use App\Http\Resources\UploadResource;
use App\Models\Project;
use App\Tasks\StartTask;
use App\Tasks\TaskKind;
use App\Uploads;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Lists of points, in and out: control and stakeout points. */
final class PointsFileController
{
    /** Longer files are read beside the requests. */
    private const SHORT = 400_000;

    #[Post('/projects/{project}/uploads', 'Brings a file in, as multipart form data in the field “file”; nothing is read of it yet', null, UploadResource::class)]
    public function upload(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(new UploadResource(...Uploads::arrived($request, $project)));
    }

    #[Post('/projects/{project}/points-preview', 'Reads an uploaded list of points as told, or as guessed, and looks it over; stores nothing', PreviewBody::class, PointsPreview::class)]
    public function preview(Request $request, Project $project, PreviewPoints $preview, StartTask $start): JsonResponse
    {
        $body = Body::read($request, PreviewBody::class);
        Uploads::require($body->upload, $project);
        if (filesize(Uploads::path($body->upload)) > self::SHORT) {
            $task = $start($project, TaskKind::PreviewPoints, json_decode((string) json_encode($body), true));

            return new JsonResponse(new PointsPreview(Uploads::nameOf($body->upload), '', null, false, false, null, [], 0, [], 0, 0, [], 0, [], 0, [], [], 0, null, $task->id));
        }

        return new JsonResponse($preview($project, $body));
    }

    #[Post('/projects/{project}/points-import', 'Takes an uploaded list of points as control or as stakeout points; a task, done at once where the list is short', PointsImportBody::class, TaskResource::class)]
    public function import(Request $request, Project $project, TakePoints $take, StartTask $start): JsonResponse
    {
        $body = Body::read($request, PointsImportBody::class);
        Uploads::require($body->upload, $project);
        if (filesize(Uploads::path($body->upload)) > self::SHORT) {
            return new JsonResponse(TaskResource::of($start($project, TaskKind::TakePoints, json_decode((string) json_encode($body), true))));
        }

        return new JsonResponse(new TaskResource(0, TaskKind::TakePoints->value, 'done', null, ['count' => $take($project, $body)], 1.0, ''));
    }

    #[Get('/projects/{project}/points-file', 'Points as a file: format csv, dxf, landxml or geojson; what: control, points, as-built', query: PointsFileQuery::class, media: 'application/octet-stream')]
    public function export(Request $request, Project $project, PointsOut $out): StreamedResponse
    {
        $body = Body::read($request, PointsFileQuery::class);
        [$pieces, $name, $type] = $out($project, $body);

        return new StreamedResponse(static function () use ($pieces): void {
            foreach ($pieces as $piece) {
                echo $piece;
            }
        }, 200, ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"$name\""]);
    }
}
