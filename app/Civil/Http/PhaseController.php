<?php

declare(strict_types=1);

namespace App\Civil\Http;

use App\Civil\Actions\Phases;
use App\Civil\Models\Phase;
use App\Civil\PhaseEntry;
use App\Civil\PhaseToKeep;
use App\Civil\WhatIsShown;
use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\Page;
use App\Projects\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Phases: drawing, surface and what is shown beside them, switched together. */
final class PhaseController
{
    #[Get('/projects/{project}/phases', 'The phases of a project, and which is shown now', PhaseEntry::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        $page = Page::of($request);
        $rows = $page->narrow(Phase::of($project)->with('members'))->get();
        [$now, $revised] = [WhatIsShown::in($project), WhatIsShown::revised($project)];

        return $page->answer($request, $rows->map(static fn (Phase $p) => PhaseEntry::of($p, $now, $revised))->all(), $rows->last()?->id);
    }

    #[Post('/projects/{project}/phases', 'Keeps what is shown as a phase; asks back (409) where one of that name is there', PhaseToKeep::class, PhaseEntry::class)]
    public function store(Request $request, Project $project, Phases $phases): JsonResponse
    {
        return new JsonResponse(PhaseEntry::of($phases->keep($project, Body::read($request, PhaseToKeep::class)), WhatIsShown::in($project), WhatIsShown::revised($project)));
    }

    #[Post('/projects/{project}/phases/{phase}/switching', 'Shows what belongs to a phase, and works with its drawing and surface', returns: PhaseEntry::class)]
    public function switch(Project $project, int $phase, Phases $phases): JsonResponse
    {
        return new JsonResponse(PhaseEntry::of($phases->switch($project, $phase), WhatIsShown::in($project->refresh()), WhatIsShown::revised($project)));
    }

    #[Delete('/projects/{project}/phases/{phase}', 'Deletes a phase; what belongs to it stays')]
    public function destroy(Project $project, int $phase, Phases $phases): JsonResponse
    {
        $phases->delete($project, $phase);

        return new JsonResponse(null, 204);
    }
}
