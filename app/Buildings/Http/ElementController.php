<?php

declare(strict_types=1);

namespace App\Buildings\Http;

use App\Buildings\Actions\TellChanges;
use App\Buildings\ElementStore;
use App\Buildings\ThingsChanged;
use App\Cogo\Actions\KeepCut;
use App\Cogo\Actions\MeasureInSpace;
use App\Cogo\CutWanted;
use App\Cogo\PointsKept;
use App\Cogo\SpaceMeasured;
use App\Designs\Models\Design;
use App\Examples\Actions\KeepExample;
use App\Examples\Actions\KeepExampleAsControl;
use App\Examples\Actions\PreviewExample;
use App\Examples\Actions\TellElement;
use App\Examples\ControlOfExample;
use App\Examples\ExampleFound;
use App\Examples\ExampleToKeep;
use App\Examples\ExampleWanted;
use App\Examples\ThingEntry;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Projects\Models\Project;
use App\Stakeout\Actions\TellBuilt;
use App\Stakeout\BuiltPart;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Things of building models, and points by example on them. */
final class ElementController
{
    #[Get('/projects/{project}/designs/{design}/things/{thing}', 'A thing of a building model by its instance: what it is, how many are like it, and the spots it offers, those nearest to a touch first', ThingEntry::class, query: TouchQuery::class)]
    public function show(Request $request, Project $project, int $design, int $thing, TellElement $tell): JsonResponse
    {
        $q = Body::read($request, TouchQuery::class);
        $touched = $q->easting === null || $q->northing === null || $q->elevation === null ? null : [$q->easting, $q->northing, $q->elevation];

        return new JsonResponse($tell($project, $design, $thing, $touched));
    }

    #[Get('/projects/{project}/designs/{design}/things', 'Things of a building model that say some words: in name, type, tag, class, storey, layers or properties', ThingsResource::class, query: WordsQuery::class)]
    public function saying(Request $request, Project $project, int $design): JsonResponse
    {
        $words = trim(Body::read($request, WordsQuery::class)->words);

        return new JsonResponse(new ThingsResource(ElementStore::of(Design::of($project)->findOrFail($design, Design::LISTED))->saying($words)));
    }

    #[Get('/projects/{project}/designs/{design}/thing-changes', 'What this revision of a building model changed, thing by thing, with the points that hang on it', ThingsChanged::class)]
    public function changes(Project $project, int $design, TellChanges $tell): JsonResponse
    {
        return new JsonResponse($tell($project, $design));
    }

    #[Post('/projects/{project}/examples-preview', 'What spots shown on one thing of a model would make on all like it; stores nothing', ExampleWanted::class, ExampleFound::class)]
    public function preview(Request $request, Project $project, PreviewExample $preview): JsonResponse
    {
        return new JsonResponse($preview($project, Body::read($request, ExampleWanted::class)));
    }

    #[Post('/projects/{project}/examples', 'Makes stakeout points of spots shown on one thing, on all like it that they fit', ExampleToKeep::class, PointsKept::class)]
    public function store(Request $request, Project $project, KeepExample $keep): JsonResponse
    {
        return new JsonResponse($keep($project, Body::read($request, ExampleToKeep::class)));
    }

    #[Post('/projects/{project}/examples-control', 'Makes control of spots of things that stand already, with how far they may be off', ControlOfExample::class, PointsKept::class)]
    public function control(Request $request, Project $project, KeepExampleAsControl $keep): JsonResponse
    {
        return new JsonResponse($keep($project, Body::read($request, ControlOfExample::class)));
    }

    #[Get('/projects/{project}/built-parts', 'How faces and axes of things were built: every shot, how flat, and how far out of plumb', BuiltPart::class, list: true)]
    public function built(Project $project, TellBuilt $tell): JsonResponse
    {
        return new JsonResponse($tell($project));
    }

    #[Post('/projects/{project}/space-measure', 'What lies between two faces, axes or places of things; stores nothing', MeasureBody::class, SpaceMeasured::class)]
    public function measure(Request $request, Project $project, MeasureInSpace $measure): JsonResponse
    {
        $body = Body::read($request, MeasureBody::class);

        return new JsonResponse($measure($project, $body->first, $body->second));
    }

    #[Post('/projects/{project}/designs/{design}/cut', 'Makes a drawing of a level cut through a model', CutWanted::class, KeptCutResource::class)]
    public function cut(Request $request, Project $project, int $design, KeepCut $keep): JsonResponse
    {
        return new JsonResponse(new KeptCutResource($keep($project, $design, Body::read($request, CutWanted::class))));
    }
}
