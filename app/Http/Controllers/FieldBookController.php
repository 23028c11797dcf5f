<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\StoreMark;
use App\FieldBook;
use App\Http\Bodies\BookQuery;
use App\Http\Bodies\MarkBody;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\Resources\BookEntry;
use App\Http\Resources\MarkResource;
use App\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class FieldBookController
{
    #[Get('/projects/{project}/field-book', 'Readings, setups, checks and marks, newest first, two hundred at a time', BookEntry::class, list: true, query: BookQuery::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(FieldBook::page($project, Body::read($request, BookQuery::class)->before));
    }

    #[Get('/projects/{project}/marks', 'All marks in the order they were taken', MarkResource::class, list: true)]
    public function marks(Project $project): JsonResponse
    {
        return new JsonResponse($project->marks()->orderBy('id')->get()->map(MarkResource::of(...))->all());
    }

    #[Post('/projects/{project}/marks', 'Stores a stake, an as-built shot or a check; asks back (409) where the person must decide', MarkBody::class, MarkResource::class)]
    public function store(Request $request, Project $project, StoreMark $store): JsonResponse
    {
        return new JsonResponse(MarkResource::of($store($project, Body::read($request, MarkBody::class))));
    }
}
