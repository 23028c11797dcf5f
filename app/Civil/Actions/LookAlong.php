<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\HeightsAlong;
use App\Civil\Models\CivilAlignment;
use App\Civil\Models\CivilSurface;
use App\Civil\RoadSection;
use App\Civil\Run;
use App\Civil\SectionWanted;
use App\Projects\Models\Project;
use Illuminate\Support\Collection;
use Parlay\Core\Civil\Surfaces\AlongSurface;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;

/** What stands under an alignment and across it, to be drawn. */
final class LookAlong
{
    private const MOST_SURFACES = 6;

    /** Heights along an alignment are looked up so often, or every so many metres where that is more. */
    private const LOOKS = 800;

    private const CLOSEST = 0.5;

    /** @return list<HeightsAlong> */
    public function profile(Project $project, int $id): array
    {
        $row = CivilAlignment::inProject($project, $id);
        $alignment = $row->alignment();
        $step = max(self::CLOSEST, $alignment->length / self::LOOKS);
        $places = [];
        for ($along = 0.0; $along < $alignment->length; $along += $step) {
            $places[] = [$along, $alignment->at($along)];
        }
        $places[] = [$alignment->length, $alignment->at($alignment->length)];

        return self::surfaces($project, $row->extent, 0.0)->map(static function (CivilSurface $s) use ($places): HeightsAlong {
            $packed = $s->packed();
            $runs = [];
            $on = false;
            foreach ($places as [$along, $at]) {
                $under = $packed->at($at->northing, $at->easting);
                if ($under !== null) {
                    $on ? array_push($runs[count($runs) - 1], $along, $under->elevation) : $runs[] = [$along, $under->elevation];
                }
                $on = $under !== null;
            }

            return new HeightsAlong($s->id, $s->name, $s->kind, array_map(static fn (array $r) => new Run($r), $runs));
        })->values()->all();
    }

    public function section(Project $project, int $id, SectionWanted $wanted): RoadSection
    {
        $row = CivilAlignment::inProject($project, $id);
        $alignment = $row->alignment();
        $along = max(0.0, min($alignment->length, $wanted->along));
        $width = max(1.0, min(500.0, $wanted->width));
        $axis = $row->profile($wanted->profile)?->elevationAt($along);
        [$left, $right] = [$alignment->at($along, -$width), $alignment->at($along, $width)];
        [$south, $north] = [min($left->northing, $right->northing), max($left->northing, $right->northing)];
        [$west, $east] = [min($left->easting, $right->easting), max($left->easting, $right->easting)];
        $surfaces = self::surfaces($project, [$west, $south, $east, $north], 0.0)->map(static fn (CivilSurface $s) => new HeightsAlong(
            $s->id, $s->name, $s->kind, array_map(
                static fn (array $run) => new Run(array_merge(...array_map(static fn (array $p) => [$p[0] - $width, $p[1]], $run))),
                AlongSurface::of(new SurfaceIndex($s->packed()->near($south, $west, $north, $east)), $left, $right),
            ),
        ))->values()->all();

        return new RoadSection(
            along: $along,
            station: $alignment->stationing->stationAt($along),
            region: $alignment->stationing->regionAt($along),
            axis: $axis,
            design: $row->shape($wanted->shape)?->section($along, $axis) ?? [],
            surfaces: $surfaces,
        );
    }

    /**
     * Those that are shown and have ground there.
     *
     * @param  list<float>  $extent  west, south, east, north
     * @return Collection<int, CivilSurface>
     */
    private static function surfaces(Project $project, array $extent, float $beside): Collection
    {
        return CivilSurface::query()->where('project_id', $project->id)->whereNull('removed_at')->where('visible', true)
            ->where('west', '<=', $extent[2] + $beside)->where('east', '>=', $extent[0] - $beside)
            ->where('south', '<=', $extent[3] + $beside)->where('north', '>=', $extent[1] - $beside)
            ->orderBy('id')->limit(self::MOST_SURFACES)->get(CivilSurface::LISTED)->toBase();
    }
}
