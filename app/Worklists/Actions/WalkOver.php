<?php

declare(strict_types=1);

namespace App\Worklists\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Points\Models\StakeoutPoint;
use App\Points\WalkKind;
use App\Projects\Models\Project;
use App\Worklists\WalkFound;
use App\Worklists\WalkWanted;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\NearestNext;
use Parlay\Core\Points\Order;
use Parlay\Core\Stakeout\ShortWalk;

/** Puts points in the order in which one walks over them; stores nothing. */
final class WalkOver
{
    private const MOST = 3000;

    public function __invoke(Project $project, WalkWanted $body): WalkFound
    {
        $wanted = array_flip($body->pointIds);
        $rows = StakeoutPoint::of($project)
            ->toBase()
            ->get(['id', 'name', 'northing', 'easting'])
            ->filter(static fn (object $r) => isset($wanted[$r->id]))
            ->sortBy(static fn (object $r) => $wanted[$r->id])
            ->values();
        $places = $rows->map(static fn (object $r) => new Position((float) $r->northing, (float) $r->easting))->all();
        $start = $body->from === null
            ? ($places[0] ?? new Position(0, 0))
            : (new Givens($project, new DrawnShapes($project)))->place($body->from);
        if ($body->kind === WalkKind::ShortWalk && count($places) > self::MOST) {
            throw new \DomainException(
                'A short walk is looked for over at most 3,000 points. Make smaller worklists, or take nearest next.',
            );
        }
        $order = match ($body->kind) {
            WalkKind::AsListed => array_keys($places),
            WalkKind::ByName => Order::ByName->of($places, $rows->map(static fn (object $r) => (string) $r->name)->all()),
            WalkKind::NearestNext => array_map(static fn (int $i) => $i - 1, array_slice(NearestNext::of([$start, ...$places], 0), 1)),
            WalkKind::ShortWalk => ShortWalk::from($start, $places)[0],
        };
        // From where one stands, if that is said; otherwise from the first of them.
        $before = $body->from === null ? null : $start;
        $length = 0.0;
        foreach ($order as $i) {
            $length += $before === null ? 0.0 : $before->distanceTo($places[$i]);
            $before = $places[$i];
        }

        return new WalkFound(array_map(static fn (int $i) => (int) $rows[$i]->id, $order), $length);
    }
}
