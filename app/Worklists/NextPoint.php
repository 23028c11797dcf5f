<?php

declare(strict_types=1);

namespace App\Worklists;

use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Worklists\Models\Worklist as KeptList;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\ShortWalk;
use Parlay\Core\Stakeout\Worklist;

/** Which of the points that are still open comes next. */
final class NextPoint
{
    public static function in(Project $project, NextWanted $wanted): NextFound
    {
        $list = $wanted->list === null ? null : KeptList::of($project)->findOrFail($wanted->list);
        $open = StakeoutPoint::of($project)->open()->orderBy('id')
            ->get(['id', 'northing', 'easting', 'elevation'])->mapWithKeys(
                static fn (StakeoutPoint $p) => [$p->id => $p->position()],
            )->all();
        $open = $list === null ? $open : array_intersect_key($open, array_flip(array_diff($list->point_ids, $list->skipped)));
        $open = $wanted->only === [] ? $open : array_intersect_key($open, array_flip($wanted->only));
        $listed = match (true) {
            $list !== null => $list->point_ids,
            $wanted->only !== [] => $wanted->only,
            $wanted->rule === NextRule::Listed => StakeoutPoint::of($project)->orderBy('id')->pluck('id')->all(),
            default => [],
        };

        return new NextFound(
            self::of($wanted->rule, $open, new Position($wanted->northing, $wanted->easting), array_values($listed), $wanted->after), count($open),
        );
    }

    /** Of more than these the nearest are walked over first. */
    private const WALKED = 200;

    /**
     * @param  array<int, Position>  $open  by id, in the order of the list
     * @param  list<int>  $listed  all of the list in its order, those done among them
     */
    private static function of(NextRule $rule, array $open, Position $from, array $listed, ?int $after): ?int
    {
        return match ($rule) {
            NextRule::Listed => self::listed($open, $listed, $after),
            NextRule::Walk => self::walked($open, $from),
            default => Worklist::nearest($from, $open),
        };
    }

    /**
     * @param  array<int, Position>  $open
     * @param  list<int>  $listed
     */
    private static function listed(array $open, array $listed, ?int $after): ?int
    {
        $at = $after === null ? false : array_search($after, $listed, true);
        $turned = $at === false ? $listed : [...array_slice($listed, $at + 1), ...array_slice($listed, 0, $at)];
        foreach ($turned as $id) {
            if (isset($open[$id])) {
                return $id;
            }
        }

        return null;
    }

    /** @param  array<int, Position>  $open */
    private static function walked(array $open, Position $from): ?int
    {
        $away = array_map(static fn (Position $p) => $p->distanceTo($from), $open);
        asort($away);
        $ids = array_slice(array_keys($away), 0, self::WALKED);
        [$order] = ShortWalk::from($from, array_map(static fn (int $id) => $open[$id], $ids));

        return $order === [] ? null : $ids[$order[0]];
    }
}
