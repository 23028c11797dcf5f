<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\Candidate;
use App\Cogo\Collect;
use App\Cogo\MakeCandidates;
use App\Cogo\PlacesToKeep;
use App\Cogo\PointsKept;
use App\Projects\Models\Project;

/** Makes stakeout points of many places of a drawing. */
final class KeepCollection
{
    public function __invoke(Project $project, PlacesToKeep $body): PointsKept
    {
        $candidates = (new Collect($project))->places($body->collection);
        $order = $body->order->of(
            array_map(static fn (Candidate $c) => $c->position, $candidates),
            array_map(static fn (Candidate $c) => $c->name ?? '', $candidates),
        );
        $named = array_map(static fn (int $i): Candidate => $candidates[$i]->name === null
            ? $candidates[$i] : $candidates[$i]->named($body->name.$candidates[$i]->name), $order);

        return MakeCandidates::of(
            $project, 'Points at '.$body->collection->kind->words(), $named, $body->name, $body->elevation, $body->code, $body->description,
        );
    }
}
