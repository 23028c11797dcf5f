<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Points\Actions\KeepCode;
use App\Points\TypedCode;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The meanings of codes. */
final class CodeController
{
    #[Get('/projects/{project}/codes', 'What the codes of the project mean', CodeResource::class, list: true)]
    public function index(Project $project): JsonResponse
    {
        return new JsonResponse($project->codes()->orderBy('code')->get()->map(CodeResource::of(...))->all());
    }

    #[Post('/projects/{project}/codes', 'Says what a code means, or changes it', TypedCode::class, CodeResource::class)]
    public function store(Request $request, Project $project, KeepCode $keep): JsonResponse
    {
        return new JsonResponse(CodeResource::of($keep->keep($project, Body::read($request, TypedCode::class))));
    }

    #[Delete('/projects/{project}/codes/{code}', 'Forgets what a code means; points keep it')]
    public function destroy(Project $project, int $code, KeepCode $keep): JsonResponse
    {
        $keep->forget($project, $code);

        return new JsonResponse(null, 204);
    }
}
