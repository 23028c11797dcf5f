<?php

declare(strict_types=1);

namespace App\FieldBook\Http;

use App\FieldBook\Actions\KeepPhotograph;
use App\FieldBook\Models\Photograph;
use App\FieldBook\PhotographEntry;
use App\FieldBook\PhotographToKeep;
use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\Page;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Pictures that were taken at a shot. */
final class PhotographController
{
    #[Get('/projects/{project}/photographs', 'Pictures of readings, the first one first', PhotographEntry::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        $page = Page::of($request);
        $rows = $page->narrow(Photograph::of($project)->select(Photograph::LISTED))->get();

        return $page->answer($request, $rows->map(PhotographEntry::of(...))->all(), $rows->last()?->id);
    }

    #[Post('/projects/{project}/photographs', 'Keeps a picture that was brought in with a reading: its pixels, and nothing else that the file carries', PhotographToKeep::class, PhotographEntry::class)]
    public function store(Request $request, Project $project, KeepPhotograph $keep): JsonResponse
    {
        return new JsonResponse(PhotographEntry::of($keep->keep($project, Body::read($request, PhotographToKeep::class))));
    }

    #[Get('/projects/{project}/photographs/{photograph}.jpg', 'A picture of a reading', media: 'image/jpeg')]
    public function show(Project $project, int $photograph): Response
    {
        $bytes = Photograph::of($project)->whereKey($photograph)->firstOrFail()->bytes;

        return new Response($bytes, 200, ['Content-Type' => 'image/jpeg', 'X-Content-Type-Options' => 'nosniff', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }

    #[Delete('/projects/{project}/photographs/{photograph}', 'Takes a picture away; the reading stays')]
    public function destroy(Project $project, int $photograph, KeepPhotograph $keep): JsonResponse
    {
        $keep->forget($project, $photograph);

        return new JsonResponse(null, 204);
    }
}
