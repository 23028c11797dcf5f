<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\BuildEntry;
use App\Civil\BuildLeft;
use App\Civil\BuildToBegin;
use App\Civil\Models\CivilSurface;
use App\Civil\Models\SurfaceBuild;
use App\Civil\SurfaceKind;
use App\Civil\TellsShotHeights;
use App\Civil\VolumeFound;
use App\Civil\VolumeUncertain;
use App\Clock;
use App\KeyTaken;
use App\Projects\Models\Project;
use App\Projects\PointName;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Civil\Volumes\VolumeSpread;
use Parlay\Core\Geometry\Position;

/** Begins an as-built surface, and leaves it: then it is a surface of the project, with its volume against the design. */
final class BuildSurface
{
    public function __construct(private readonly TellsShotHeights $heights) {}

    public function begin(Project $project, BuildToBegin $body): SurfaceBuild
    {
        KeyTaken::checked($body->key);
        $name = PointName::checked($body->name);
        if ($body->againstId !== null) {
            CivilSurface::inProject($project, $body->againstId);
        }

        return DB::transaction(static function () use ($project, $body, $name): SurfaceBuild {
            $known = SurfaceBuild::query()->where('project_id', $project->id)->where('key', $body->key)->first();
            if ($known !== null) {
                KeyTaken::unlessSame('surface', ['name' => $known->name], ['name' => $name]);

                return $known;
            }
            $open = SurfaceBuild::open($project->id);
            if ($open !== null) {
                throw new \DomainException("“{$open->name}” is still growing: leave it before another is begun.");
            }
            $build = SurfaceBuild::query()->create([
                'project_id' => $project->id, 'key' => $body->key, 'name' => $name, 'against_id' => $body->againstId, 'raised' => $body->verticalOffset,
                'begun_at' => Clock::stamp(),
            ]);
            $project->measured();

            return $build;
        });
    }

    public function leave(Project $project, int $id): BuildLeft
    {
        $build = SurfaceBuild::query()->where('project_id', $project->id)->findOrFail($id);
        $entry = BuildEntry::of($build);
        $places = array_column($build->shotsMade(), 0);
        $why = '';
        try {
            $surface = SurfaceMaking::of($places)->surface;
        } catch (NoSurface $e) {
            [$surface, $why] = [null, count($places) < 3 ? "A surface is made of three shots or more; here are {$entry->shots}. They are in the book." : $e->getMessage()];
        }
        $kept = DB::transaction(static function () use ($project, $build, $surface): SurfaceBuild {
            if ($build->refresh()->left_at !== null) {
                return $build;
            }
            $row = $surface === null ? null : CivilSurface::keep($project, $surface, [
                'name' => KeepAlignment::freeName($project, 'surfaces', $build->name), 'source' => 'measured', 'kind' => SurfaceKind::AsBuilt->value,
                'taken_at' => Clock::stamp(), 'removed_at' => null, 'remarks' => [],
            ]);
            $build->update(['left_at' => Clock::stamp(), 'surface_id' => $row?->id]);
            $project->changed();

            return $build;
        });
        if ($surface === null) {
            return new BuildLeft(null, $entry->shots, $entry->outside, null, $why);
        }
        try {
            $volume = self::volume($build, $surface);

            return new BuildLeft($kept->surface_id, $entry->shots, $entry->outside, $volume, '', $volume === null ? null : $this->uncertain($build, $places, $volume));
        } catch (NoSurface $e) {
            return new BuildLeft($kept->surface_id, $entry->shots, $entry->outside, null, $e->getMessage());
        }
    }

    /** @param  list<Position>  $places */
    private function uncertain(SurfaceBuild $build, array $places, VolumeFound $volume): ?VolumeUncertain
    {
        $deviations = $this->heights->deviations($build->markIds());
        $triangles = $build->triangles($places);
        $spread = $deviations === null ? null : VolumeSpread::of($places, $triangles, ...$deviations);

        return $spread === null ? null : VolumeUncertain::of($spread->ofPart($volume->area / VolumeSpread::area($places, $triangles)));
    }

    private static function volume(SurfaceBuild $build, Surface $surface): ?VolumeFound
    {
        $design = $build->against_id === null ? null : CivilSurface::query()->find($build->against_id, CivilSurface::LISTED);
        if ($design === null) {
            return null;
        }
        $against = $design->packed()->near(min($surface->northings), min($surface->eastings), max($surface->northings), max($surface->eastings));

        return FindVolume::found("{$build->name} against {$design->name}", $surface, $against->raised($build->raised), null, []);
    }
}
