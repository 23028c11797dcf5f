<?php

declare(strict_types=1);

namespace App\FieldBook\Http;

use App\FieldBook\BookEntry;
use App\FieldBook\Pages;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class FieldBookController
{
    #[Get('/projects/{project}/field-book', 'Readings, setups, checks and marks, newest first, two hundred at a time', BookEntry::class, list: true, query: BookQuery::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(Pages::page($project, Body::read($request, BookQuery::class)->before));
    }
}
