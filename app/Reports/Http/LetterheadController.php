<?php

declare(strict_types=1);

namespace App\Reports\Http;

use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Put;
use App\Projects\Models\Project;
use App\Reports\Actions\ChangeLetterhead;
use App\Reports\LetterheadEntry;
use App\Reports\LetterheadWanted;
use App\Reports\Models\Letterhead;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class LetterheadController
{
    #[Get('/projects/{project}/letterhead', 'Who hands over, at the head of what is printed, and the paper', LetterheadEntry::class)]
    public function show(Project $project): JsonResponse
    {
        return new JsonResponse(LetterheadEntry::of(Letterhead::in($project)));
    }

    #[Put('/projects/{project}/letterhead', 'Says who hands over, and on which paper', LetterheadWanted::class, LetterheadEntry::class)]
    public function change(Request $request, Project $project, ChangeLetterhead $change): JsonResponse
    {
        return new JsonResponse(LetterheadEntry::of($change($project, Body::read($request, LetterheadWanted::class))));
    }
}
