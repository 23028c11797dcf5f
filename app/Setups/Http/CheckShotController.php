<?php

declare(strict_types=1);

namespace App\Setups\Http;

use App\Http\OpenApi\Get;
use App\Projects\Models\Project;
use App\Stakeout\CheckShots;
use App\Stakeout\CheckShotsTaken;
use Illuminate\Http\JsonResponse;

/** Whether the setup still holds. */
final class CheckShotController
{
    #[Get('/projects/{project}/checks', 'The check shots on the setup that holds, each against what was to be expected, and whether '
        .'it still holds', CheckShotsTaken::class)]
    public function checks(Project $project): JsonResponse
    {
        return new JsonResponse(CheckShots::of($project));
    }
}
