<?php

declare(strict_types=1);

namespace App\Setups\Http;

use App\Http\Body;
use App\Http\OpenApi\Post;
use App\Projects\Models\Project;
use App\Setups\StandHere;
use App\Setups\WhereToStand;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Parlay\Core\Geometry\Position;

/** Where to stand, before setting up. Everything here is computed and nothing stored. */
final class StandController
{
    /** So many places take well under a second. */
    private const MOST = 6000;

    #[Post('/projects/{project}/stand-here', 'What an instrument standing here would see, and how well it would serve the work', StandHereBody::class, StandHere::class)]
    public function here(Request $request, Project $project): JsonResponse
    {
        $body = Body::read($request, StandHereBody::class);

        return new JsonResponse(
            WhereToStand::of($project, $body->wallLayers, $body->worklistId)->here(new Position($body->northing, $body->easting)),
        );
    }

    #[Post('/projects/{project}/stand-map', 'How well the work would be served from each place of a raster; a part of its rows at a '
        .'time', StandMapBody::class, StandMapResource::class)]
    public function map(Request $request, Project $project): JsonResponse
    {
        $b = Body::read($request, StandMapBody::class);
        if ($b->columns < 1
            || $b->fromRow < 0
            || $b->toRow <= $b->fromRow
            || $b->step <= 0
            || $b->columns * ($b->toRow - $b->fromRow) > self::MOST) {
            throw new \DomainException('Ask for at most 6,000 places at a time, in rows from the south.');
        }
        $values = WhereToStand::of($project, $b->wallLayers, $b->worklistId)->site->map(
            $b->south, $b->west, $b->step, $b->columns, $b->fromRow, $b->toRow,
        );

        return new JsonResponse(new StandMapResource(array_map(static fn (?float $v) => $v ?? -1.0, $values)));
    }
}
