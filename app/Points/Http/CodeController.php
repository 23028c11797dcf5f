<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Http\Body;
use App\Http\FileOut;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\Page;
use App\Points\Actions\KeepCode;
use App\Points\CodeList;
use App\Points\Models\Code;
use App\Points\TypedCode;
use App\Projects\Http\CountResource;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The meanings of codes. */
final class CodeController
{
    #[Get('/projects/{project}/codes', 'What the codes of the project mean', CodeResource::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        $page = Page::of($request);
        $codes = Code::of($project)->orderBy('code')->get()->keyBy('id');
        $ids = $page->cut($codes->keys()->all());

        return $page->answer($request, array_map(static fn (int $id) => CodeResource::of($codes[$id]), $ids), $ids === [] ? null : $ids[count($ids) - 1]);
    }

    #[Post('/projects/{project}/codes', 'Says what a code means, or changes it', TypedCode::class, CodeResource::class)]
    public function store(Request $request, Project $project, KeepCode $keep): JsonResponse
    {
        return new JsonResponse(CodeResource::of($keep->keep($project, Body::read($request, TypedCode::class))));
    }

    #[Get('/projects/{project}/codes-file', 'What the codes mean as a table (CSV)', media: 'text/csv')]
    public function file(Project $project): StreamedResponse
    {
        return FileOut::csv(static fn ($out) => CodeList::write($project, $out), 'codes.csv');
    }

    #[Post('/projects/{project}/codes-list', 'Takes what codes mean from a table (CSV), all of it or nothing', CodeListBody::class, CountResource::class)]
    public function take(Request $request, Project $project, KeepCode $keep): JsonResponse
    {
        $text = Body::read($request, CodeListBody::class)->text;

        return new JsonResponse(new CountResource($keep->keepAll($project, CodeList::read($text), CodeList::said($text))));
    }

    #[Delete('/projects/{project}/codes/{code}', 'Forgets what a code means; points keep it')]
    public function destroy(Project $project, int $code, KeepCode $keep): JsonResponse
    {
        $keep->forget($project, $code);

        return new JsonResponse(null, 204);
    }
}
