<?php

declare(strict_types=1);

namespace App\Lists\Actions;

use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Lists\PointsTarget;
use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Fit\Spots;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Findings\Surroundings;

/** What a project holds that a new list can be held against. */
final class SurroundingsOf
{
    private const MOST_SPOTS = 20_000;

    /** @param  list<string>  $names  of the list: where the designs have a text that says one of them, that place is known too */
    public static function project(Project $project, PointsTarget $target, array $names): Surroundings
    {
        $named = [];
        // Where both bear a name, the list is held against its own kind.
        foreach ($target === PointsTarget::Control
            ? ['stakeout_points', 'control_points']
            : ['control_points', 'stakeout_points'] as $table) {
            foreach (DB::table($table)->where('project_id', $project->id)->get(['name', 'northing', 'easting', 'elevation']) as $row) {
                $named[$row->name] = new Position($row->northing, $row->easting, $row->elevation);
            }
        }
        $designs = Design::of($project)->where('current', true)->with('layers')->get(Design::LISTED);
        $layers = $designs->flatMap(static fn (Design $d) => $d->layers)->all();
        foreach (Spots::of(array_map(
            static fn (DesignLayer $l) => $l->drawing(),
            array_values(array_filter($layers, static fn (DesignLayer $l) => isset($l->kinds['text']))),
        ), $names) as $spot) {
            $written = $spot->what === 'text' ? null : array_search($spot->label, array_map(Spots::plain(...), $names), true);
            if ($spot->label !== '' && is_int($written)) {
                $named[$names[$written]] ??= new Position($spot->y, $spot->x);
            }
        }
        $extents = $designs->map(static fn (Design $d) => $d->extent)->filter()->values()->all();
        foreach ($named as $p) {
            $extents[] = [$p->easting, $p->northing, $p->easting, $p->northing];
        }

        return new Surroundings($named, self::spots($layers), $extents === [] ? null : [
            min(array_column($extents, 0)), min(array_column($extents, 1)), max(array_column($extents, 2)), max(array_column($extents, 3)),
        ]);
    }

    /**
     * Points, insertions and centres of circles.
     *
     * @param  array<DesignLayer>  $layers
     * @return list<Position>
     */
    private static function spots(array $layers): array
    {
        $spots = [];
        foreach ($layers as $layer) {
            if (array_intersect_key($layer->kinds, ['point' => 1, 'circle' => 1, 'insert' => 1]) === []
                || count($spots) > self::MOST_SPOTS) {
                continue;
            }
            $drawing = $layer->drawing();
            for ($i = 0; $i < $drawing->count && count($spots) <= self::MOST_SPOTS; $i++) {
                $s = $drawing->shape($i);
                if (in_array($s->kind, [ShapeKind::Point, ShapeKind::Circle, ShapeKind::Insert], true)) {
                    $spots[] = new Position($s->v[1], $s->v[0]);
                }
            }
        }

        return $spots;
    }
}
