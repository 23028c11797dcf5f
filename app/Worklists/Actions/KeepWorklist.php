<?php

declare(strict_types=1);

namespace App\Worklists\Actions;

use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;
use App\Seen;
use App\Worklists\Models\Worklist;
use App\Worklists\TypedWorklist;
use Illuminate\Support\Facades\DB;

/** Makes, changes and deletes worklists; each has a name of its own, and holds points of its project once. */
final class KeepWorklist
{
    public function make(Project $project, TypedWorklist $typed): Worklist
    {
        $name = self::free($project, $typed->name, null);

        return Preparation::step($project, "Worklist $name", static fn (Preparation $step) => $step->create(
            new Worklist(['project_id' => $project->id, 'name' => $name, 'point_ids' => self::known($project, $typed->pointIds), 'judged' => $typed->judged->value ?? '']),
        ));
    }

    public function change(Project $project, int $list, TypedWorklist $typed): Worklist
    {
        return Preparation::step($project, "Worklist {$typed->name}", static function (Preparation $step) use ($project, $typed, $list): Worklist {
            $row = Worklist::of($project)->findOrFail($list);
            Seen::requireList($typed->expected, $row->point_ids, $row->name);
            $step->update(
                $row, [
                    'name' => self::free($project, $typed->name, $list), 'point_ids' => self::known($project, $typed->pointIds),
                    'judged' => $typed->judged->value ?? '',
                ],
            );

            return $row;
        });
    }

    /** Leaves a point out for now, or takes it up again. Done in the field: it is no preparation, and undo does not go over it. */
    public function skip(Project $project, int $list, int $point, bool $skipped): Worklist
    {
        return DB::transaction(static function () use ($project, $list, $point, $skipped): Worklist {
            $row = Worklist::of($project)->findOrFail($list);
            $others = array_values(array_diff($row->skipped, [$point]));
            $row->update(['skipped' => $skipped && in_array($point, $row->point_ids, true) ? [...$others, $point] : $others]);
            $project->measured();

            return $row;
        });
    }

    public function delete(Project $project, int $list): void
    {
        $row = Worklist::of($project)->findOrFail($list);
        Preparation::step($project, "Deleted worklist {$row->name}", static fn (Preparation $step) => $step->delete($row));
    }

    private static function free(Project $project, string $name, ?int $except): string
    {
        $name = PointName::checked($name);
        if (Worklist::of($project)->where('name', $name)->whereKeyNot($except)->exists()) {
            throw new \DomainException("There is a worklist “{$name}” already. Choose another name.");
        }

        return $name;
    }

    /**
     * Each once, and only points of this project.
     *
     * @param  list<int>  $ids
     * @return list<int>
     */
    private static function known(Project $project, array $ids): array
    {
        $known = array_flip(StakeoutPoint::of($project)->toBase()->pluck('id')->all());

        return array_values(array_filter(array_unique($ids), static fn (int $id) => isset($known[$id])));
    }
}
