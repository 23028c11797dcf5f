<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\PointsRenamed;
use App\Cogo\Renaming;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;
use Illuminate\Support\Collection;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\NameRule;

/** Renames points by rule: first shown, then done as it was shown. */
final class RenamePoints
{
    public function preview(Project $project, Renaming $body): PointsRenamed
    {
        $rows = self::rows($project, $body->ids);
        $places = $rows->map(static fn (object $r) => new Position((float) $r->northing, (float) $r->easting))->all();
        $order = $body->order->of($places, $rows->map(static fn (object $r) => (string) $r->name)->all(), self::line($project, $body));
        $ordered = array_map(static fn (int $i) => $rows[$i], $order);
        $rule = new NameRule($body->pattern, $body->find, $body->replace, $body->from, $body->step, $body->digits, $body->endings);
        $names = array_map(
            PointName::checked(...), $rule->names(array_map(static fn (object $r) => [(string) $r->name, (string) $r->code], $ordered)),
        );
        $ids = array_map(static fn (object $r) => (int) $r->id, $ordered);

        return new PointsRenamed(
            $ids, array_map(static fn (object $r) => (string) $r->name, $ordered), $names, self::taken($project, $ids, $names),
        );
    }

    public function rename(Project $project, Renaming $body): int
    {
        return Preparation::step($project, 'Renamed '.count($body->ids).' points', function (Preparation $step) use ($project, $body): int {
            $renamed = $this->preview($project, $body);
            if ($body->expected !== null && $body->expected !== $renamed->after) {
                throw new \DomainException('The points have changed since the names were shown. Look at the new names again.');
            }
            if ($renamed->taken !== []) {
                throw new \DomainException(
                    count($renamed->taken)." of the new names would be given twice or are taken: “{$renamed->taken[0]}”. Change the rule.",
                );
            }
            $before = $after = [];
            foreach ($renamed->ids as $i => $id) {
                if ($renamed->before[$i] !== $renamed->after[$i]) {
                    $before[$id] = ['name' => $renamed->before[$i]];
                    $after[$id] = ['name' => $renamed->after[$i]];
                }
            }
            $step->updateMany('stakeout_points', $before, $after);

            return count($after);
        });
    }

    /**
     * @param  list<int>  $ids
     * @return Collection<int, \stdClass> in the order of the ids
     */
    private static function rows(Project $project, array $ids): Collection
    {
        $wanted = array_flip($ids);
        // All of them at once: ten thousand ids are more than one statement takes.
        $rows = StakeoutPoint::of($project)
            ->toBase()
            ->get(['id', 'name', 'code', 'northing', 'easting'])
            ->filter(static fn (object $r) => isset($wanted[$r->id]));

        return $rows->sortBy(static fn (object $r) => $wanted[$r->id])->values();
    }

    /**
     * New names that a point left as it is has already, or that two would get. Two that share a name now may share the next one too:
     * they are two ends of one thing.
     *
     * @param  list<int>  $ids
     * @param  list<string>  $names
     * @return list<string>
     */
    private static function taken(Project $project, array $ids, array $names): array
    {
        $renamed = array_flip($ids);
        $others = [];
        $old = [];
        foreach (StakeoutPoint::of($project)->toBase()->get(['id', 'name']) as $row) {
            isset($renamed[$row->id]) ? $old[$row->id] = (string) $row->name : $others[(string) $row->name] = true;
        }
        $given = $taken = [];
        foreach ($names as $i => $name) {
            $was = $old[$ids[$i]] ?? '';
            if ((isset($others[$name]) && $name !== $was) || (isset($given[$name]) && $given[$name] !== $was)) {
                $taken[$name] = $name;
            }
            $given[$name] ??= $was;
        }

        return array_values($taken);
    }

    /** @return array{Position, Position}|null */
    private static function line(Project $project, Renaming $body): ?array
    {
        $givens = new Givens($project, new DrawnShapes($project));

        return $body->lineFrom === null || $body->lineTo === null ? null : [$givens->place($body->lineFrom), $givens->place($body->lineTo)];
    }
}
