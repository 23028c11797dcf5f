<?php

declare(strict_types=1);

namespace App\Examples\Actions;

use App\Cogo\MakeCandidates;
use App\Cogo\PointsKept;
use App\Examples\ExampleToKeep;
use App\Examples\FollowExample;
use App\Projects\Models\Project;

/** Makes stakeout points of an example on all things that it fits. */
final class KeepExample
{
    public function __invoke(Project $project, ExampleToKeep $body): PointsKept
    {
        $followed = new FollowExample($project, $body->example);

        return MakeCandidates::of(
            $project, 'Points by example on '.count($followed->things).' things', $followed->candidates, $body->example->naming->prefix,
            $body->example->elevation, $body->code, $body->description,
        );
    }
}
