<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Cogo\Actions\ChangePoint;
use App\Cogo\Actions\FindSpot;
use App\Cogo\Actions\MakePoint;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\Http\InverseBody;
use App\Cogo\Http\InverseResource;
use App\Cogo\NewPoint;
use App\Cogo\PointChange;
use App\Designs\Http\SpotResource;
use App\Designs\TouchedSpot;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\OpenApi\Put;
use App\Http\Page;
use App\Points\Actions\DeletePoints;
use App\Points\Models\StakeoutPoint;
use App\Projects\Http\CountResource;
use App\Projects\Models\Project;
use App\Projects\PointName;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Parlay\Core\Cogo\Inverse;
use Parlay\Core\Cogo\Turn;

final class PointController
{
    /** The last stake of each point decides; the database finds it in the same query. */
    #[Get('/projects/{project}/points', 'All stakeout points with how their last stake came out', PointResource::class, list: true, query: Page::class)]
    public function index(Request $request, Project $project): JsonResponse
    {
        // Fifty thousand rows are no rarity: they go out as the database gives them, without a model for each.
        $page = Page::of($request);
        $points = $page->narrow(StakeoutPoint::of($project))->select([
            'id', 'name', 'northing', 'easting', 'elevation', 'code', 'description', 'origin', 'attributes',
            'label_north as labelNorth', 'label_east as labelEast',
        ])
            ->selectRaw("coalesce(json_extract(recipe, '$.description'), '') AS made")
            ->selectRaw(
                "(SELECT count(*) FROM standing_marks m WHERE m.project_id = stakeout_points.project_id AND m.kind = 'stake' AND "
                    .'m.point_id = stakeout_points.id) AS stakes',
            )
            ->selectRaw(
                "(SELECT verdict FROM standing_marks m WHERE m.project_id = stakeout_points.project_id AND m.kind = 'stake' AND "
                    .'m.point_id = stakeout_points.id ORDER BY m.id DESC LIMIT 1) AS verdict',
            )
            ->selectRaw(StakeoutPoint::state().' AS state')
            ->toBase()->get()->all();

        return $page->answer($request, $points, $points === [] ? null : (int) end($points)->id);
    }

    #[Get('/projects/{project}/around', 'The stakeout point or control that is nearest to a place, and how the place lies from it', AroundResource::class, query: AroundQuery::class)]
    public function around(Request $request, Project $project): JsonResponse
    {
        return new JsonResponse(AroundResource::of($project, Body::read($request, AroundQuery::class)));
    }

    #[Post('/projects/{project}/spots', 'Exact coordinates of a spot of a drawing; stores nothing', TouchedSpot::class, SpotResource::class)]
    public function spot(Request $request, Project $project, FindSpot $find): JsonResponse
    {
        return new JsonResponse(SpotResource::of($project, ...$find($project, Body::read($request, TouchedSpot::class))));
    }

    #[Post('/projects/{project}/inverse', 'Distance, direction and rise between two places, and the angle at the second where a third is given; stores nothing', InverseBody::class, InverseResource::class)]
    public function inverse(Request $request, Project $project): JsonResponse
    {
        $body = Body::read($request, InverseBody::class);
        $givens = new Givens($project, new DrawnShapes($project));
        [$from, $to] = [$givens->place($body->from), $givens->place($body->to)];

        return new JsonResponse(new InverseResource(
            Inverse::between($from, $to), $body->next === null ? null : Turn::at($from, $to, $givens->place($body->next)),
        ));
    }

    #[Get('/projects/{project}/next-name', 'The next free name after a prefix', NameResource::class, query: NextNameQuery::class)]
    public function nextName(Request $request, Project $project): JsonResponse
    {
        $query = Body::read($request, NextNameQuery::class);

        return new JsonResponse(new NameResource(
            $query->marks ? PointName::nextMark($project->id, $query->prefix) : PointName::next($project->id, $query->prefix),
        ));
    }

    #[Post('/projects/{project}/points', 'Makes a stakeout point', NewPoint::class, PointResource::class)]
    public function store(Request $request, Project $project, MakePoint $make): JsonResponse
    {
        return new JsonResponse(PointResource::of($make($project, Body::read($request, NewPoint::class))));
    }

    #[Put('/projects/{project}/points/{point}', 'Changes a stakeout point; what was staked keeps the design it was staked to', PointChange::class, PointResource::class)]
    public function update(Request $request, Project $project, int $point, ChangePoint $change): JsonResponse
    {
        return new JsonResponse(
            PointResource::of($change($project, StakeoutPoint::of($project)->findOrFail($point), Body::read($request, PointChange::class))),
        );
    }

    #[Put('/projects/{project}/points/{point}/label', 'Moves the label of a point on the plan', LabelBody::class)]
    public function label(Request $request, Project $project, int $point): JsonResponse
    {
        $body = Body::read($request, LabelBody::class);
        StakeoutPoint::of($project)->findOrFail($point)->update(['label_north' => $body->north, 'label_east' => $body->east]);
        $project->changed();

        return new JsonResponse(null, 204);
    }

    #[Post('/projects/{project}/points-deletion', 'Deletes stakeout points; asks (409) where marks hang on them, undo brings them '
        .'back', DeletionBody::class, CountResource::class)]
    public function destroy(Request $request, Project $project, DeletePoints $delete): JsonResponse
    {
        $body = Body::read($request, DeletionBody::class);

        return new JsonResponse(new CountResource($delete($project, $body->ids, $body->evenHeld)));
    }
}
