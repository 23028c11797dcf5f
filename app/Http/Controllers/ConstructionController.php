<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AdoptProposals;
use App\Actions\ChangeRecipe;
use App\Actions\KeepCollection;
use App\Actions\KeepConstruction;
use App\Actions\KeepLines;
use App\Cogo\Collect;
use App\Cogo\Construct;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\Proposals;
use App\Cogo\Recipe;
use App\Cogo\Standing;
use App\Cogo\Words;
use App\Http\Bodies\IdsBody;
use App\Http\Bodies\KeepCollectionBody;
use App\Http\Bodies\KeepConstructionBody;
use App\Http\Bodies\KeepLinesBody;
use App\Http\Bodies\PreviewCollectionBody;
use App\Http\Bodies\PreviewConstructionBody;
use App\Http\Bodies\RecipeBody;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Resources\CollectedResource;
use App\Http\Resources\CountResource;
use App\Http\Resources\KeptResource;
use App\Http\Resources\MadeResource;
use App\Http\Resources\MadeSolution;
use App\Http\Resources\PointResource;
use App\Http\Resources\ProposalResource;
use App\Http\Resources\RecipeResource;
use App\Models\Project;
use App\Preparation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Parlay\Core\Cogo\Solution;
use Parlay\Core\Geometry\Position;

/** Points by computation: worked out as it is typed, kept when told, remembered with how they were made. */
final class ConstructionController
{
    #[Post('/projects/{project}/constructions-preview', 'Works out a construction; stores nothing', PreviewConstructionBody::class, MadeResource::class)]
    public function preview(Request $request, Project $project): JsonResponse
    {
        $body = Body::read($request, PreviewConstructionBody::class);
        $shapes = new DrawnShapes($project);
        $givens = new Givens($project, $shapes);
        $made = (new Construct($givens, $project->length_style))->made($body->construction);
        $standing = Standing::in($project);
        $elevated = static fn (Position $p): Position => Recipe::withElevation($body->elevation, $p, $givens);
        $solutions = array_map(static fn (Solution $s) => MadeSolution::of($s, $elevated, $standing), $made->solutions);

        return new JsonResponse(new MadeResource((new Words($project, $shapes))->of($body->construction), $solutions));
    }

    #[Post('/projects/{project}/constructions', 'Keeps places of a construction as stakeout points', KeepConstructionBody::class, KeptResource::class)]
    public function store(Request $request, Project $project, KeepConstruction $keep): JsonResponse
    {
        return new JsonResponse($keep($project, Body::read($request, KeepConstructionBody::class)));
    }

    #[Post('/projects/{project}/lines', 'Keeps the lines and arcs of a construction as a drawing', KeepLinesBody::class, CountResource::class)]
    public function keepLines(Request $request, Project $project, KeepLines $keep): JsonResponse
    {
        return new JsonResponse(new CountResource((int) $keep($project, Body::read($request, KeepLinesBody::class))->layers()->sum('count')));
    }

    #[Post('/projects/{project}/collections-preview', 'Finds many places of a drawing at once; stores nothing', PreviewCollectionBody::class, CollectedResource::class)]
    public function collect(Request $request, Project $project): JsonResponse
    {
        $body = Body::read($request, PreviewCollectionBody::class);
        $givens = new Givens($project, new DrawnShapes($project));
        $standing = Standing::in($project);
        $new = $old = $names = [];
        $collect = new Collect($project);
        $candidates = $collect->places($body->collection);
        foreach ($candidates as $c) {
            $at = Recipe::withElevation($body->elevation, $c->position, $givens);
            $stands = $standing->at($at) !== null;
            $stands ? array_push($old, $at->easting, $at->northing) : array_push($new, $at->easting, $at->northing);
            if (! $stands && $c->name !== null) {
                $names[] = $c->name;
            }
        }

        return new JsonResponse(new CollectedResource(count($candidates), intdiv(count($old), 2), $new, $old, $names, $collect->attributes($body->collection)));
    }

    #[Post('/projects/{project}/collections', 'Makes stakeout points of many places at once', KeepCollectionBody::class, KeptResource::class)]
    public function keepCollection(Request $request, Project $project, KeepCollection $keep): JsonResponse
    {
        return new JsonResponse($keep($project, Body::read($request, KeepCollectionBody::class)));
    }

    #[Get('/projects/{project}/points/{point}/recipe', 'How a point was made', RecipeResource::class)]
    public function recipe(Project $project, int $point): JsonResponse
    {
        $row = $project->points()->findOrFail($point)->recipe;
        $recipe = Recipe::kept($row);

        return new JsonResponse(new RecipeResource((string) ($row['description'] ?? ''), $recipe?->construction, $recipe === null ? 'A' : $recipe->letter, $recipe === null ? 0 : $recipe->index, $recipe?->elevation));
    }

    #[Put('/projects/{project}/points/{point}/recipe', 'Computes a point anew by a changed recipe', RecipeBody::class, PointResource::class)]
    public function change(Request $request, Project $project, int $point, ChangeRecipe $change): JsonResponse
    {
        return new JsonResponse(PointResource::of($change($project, $project->points()->findOrFail($point), Body::read($request, RecipeBody::class))));
    }

    #[Get('/projects/{project}/proposals', 'Points whose source has changed, with the place they would have now', ProposalResource::class, list: true)]
    public function proposals(Project $project): JsonResponse
    {
        return new JsonResponse(Proposals::of($project));
    }

    #[Post('/projects/{project}/proposals-adoption', 'Moves points to where their changed sources put them', IdsBody::class, CountResource::class)]
    public function adopt(Request $request, Project $project, AdoptProposals $adopt): JsonResponse
    {
        return new JsonResponse(new CountResource($adopt($project, Body::read($request, IdsBody::class)->ids)));
    }

    #[Post('/projects/{project}/recipes-dropping', 'Leaves points where they are: they forget what they were made from', IdsBody::class, CountResource::class)]
    public function drop(Request $request, Project $project): JsonResponse
    {
        $points = $project->points()->whereIn('id', Body::read($request, IdsBody::class)->ids)->get();
        Preparation::step($project, "Left {$points->count()} points where they are", static fn (Preparation $step) => $points->each(static fn ($p) => $step->update($p, ['origin' => 'typed', 'recipe' => null])));

        return new JsonResponse(new CountResource($points->count()));
    }
}
