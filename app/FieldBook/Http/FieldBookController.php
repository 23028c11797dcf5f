<?php

declare(strict_types=1);

namespace App\FieldBook\Http;

use App\FieldBook\BookEntry;
use App\FieldBook\BookQuery;
use App\FieldBook\Pages;
use App\FieldBook\ReadingsCsv;
use App\Http\Body;
use App\Http\FileOut;
use App\Http\OpenApi\Get;
use App\Http\Page;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class FieldBookController
{
    #[Get('/projects/{project}/readings.csv', 'All readings as the instrument gave them, for another program to adjust', media: 'text/csv')]
    public function readings(Project $project): StreamedResponse
    {
        return FileOut::csv(static fn ($out) => ReadingsCsv::write($project, $out), (Str::slug($project->name) ?: 'project').'-readings.csv');
    }

    #[Get('/projects/{project}/field-book', 'Readings, setups, checks and marks, newest first, two hundred at a time where nothing else is said', BookEntry::class, list: true, query: BookQuery::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        $wanted = Body::read($request, BookQuery::class);
        $page = Page::checked(new Page($wanted->limit, $wanted->after))->orOf(Pages::USUAL);
        $lines = Pages::lines($project, $wanted, (int) $page->limit);

        return $page->answer($request, $lines, $lines === [] ? null : $lines[count($lines) - 1]->seq);
    }
}
