<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use App\Cogo\Actions\AdoptProposals;
use App\Cogo\Actions\ChangeRecipe;
use App\Cogo\Actions\KeepCollection;
use App\Cogo\Actions\KeepConstruction;
use App\Cogo\Actions\KeepLines;
use App\Cogo\Collect;
use App\Cogo\Construct;
use App\Cogo\ConstructionToKeep;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\LinesToKeep;
use App\Cogo\PlacesToKeep;
use App\Cogo\PointsKept;
use App\Cogo\Proposal;
use App\Cogo\Proposals;
use App\Cogo\Recipe;
use App\Cogo\RecipeChange;
use App\Cogo\Standing;
use App\Cogo\Words;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Points\Http\PointResource;
use App\Points\Models\StakeoutPoint;
use App\Projects\Http\CountResource;
use App\Projects\Http\IdsBody;
use App\Projects\Models\Project;
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

    #[Post('/projects/{project}/constructions', 'Keeps places of a construction as stakeout points', ConstructionToKeep::class, PointsKept::class)]
    public function store(Request $request, Project $project, KeepConstruction $keep): JsonResponse
    {
        return new JsonResponse($keep($project, Body::read($request, ConstructionToKeep::class)));
    }

    #[Post('/projects/{project}/lines', 'Keeps the lines and arcs of a construction as a drawing', LinesToKeep::class, CountResource::class)]
    public function keepLines(Request $request, Project $project, KeepLines $keep): JsonResponse
    {
        return new JsonResponse(new CountResource((int) $keep($project, Body::read($request, LinesToKeep::class))->layers()->sum('count')));
    }

    #[Post('/projects/{project}/collections-preview', 'Finds many places of a drawing at once; stores nothing', PreviewPlacesBody::class, CollectedResource::class)]
    public function collect(Request $request, Project $project): JsonResponse
    {
        $body = Body::read($request, PreviewPlacesBody::class);
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

        return new JsonResponse(
            new CollectedResource(count($candidates), intdiv(count($old), 2), $new, $old, $names, $collect->attributes($body->collection)),
        );
    }

    #[Post('/projects/{project}/collections', 'Makes stakeout points of many places at once', PlacesToKeep::class, PointsKept::class)]
    public function keepCollection(Request $request, Project $project, KeepCollection $keep): JsonResponse
    {
        return new JsonResponse($keep($project, Body::read($request, PlacesToKeep::class)));
    }

    #[Get('/projects/{project}/points/{point}/recipe', 'How a point was made', RecipeResource::class)]
    public function recipe(Project $project, int $point): JsonResponse
    {
        $row = StakeoutPoint::of($project)->findOrFail($point)->recipe;
        $recipe = Recipe::kept($row);

        return new JsonResponse(new RecipeResource(
            (string) ($row['description'] ?? ''), $recipe?->construction, $recipe === null ? 'A' : $recipe->letter,
            $recipe === null ? 0 : $recipe->index, $recipe?->elevation, self::looks($project, $recipe),
        ));
    }

    /** @return list<string> */
    private static function looks(Project $project, ?Recipe $recipe): array
    {
        $element = $recipe?->construction->places[0]->element ?? null;
        try {
            return $element === null ? [] : (new DrawnShapes($project))->things->looks($element);
        } catch (\DomainException) {
            // Gone with its model: the recipe is still told.
            return [];
        }
    }

    #[Put('/projects/{project}/points/{point}/recipe', 'Computes a point anew by a changed recipe', RecipeChange::class, PointResource::class)]
    public function change(Request $request, Project $project, int $point, ChangeRecipe $change): JsonResponse
    {
        return new JsonResponse(
            PointResource::of($change($project, StakeoutPoint::of($project)->findOrFail($point), Body::read($request, RecipeChange::class))),
        );
    }

    #[Get('/projects/{project}/proposals', 'Points whose source has changed, with the place they would have now', Proposal::class, list: true)]
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
    public function drop(Request $request, Project $project, AdoptProposals $adopt): JsonResponse
    {
        return new JsonResponse(new CountResource($adopt->leave($project, Body::read($request, IdsBody::class)->ids)));
    }
}
