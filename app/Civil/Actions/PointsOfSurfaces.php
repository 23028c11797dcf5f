<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\AlignmentPoint;
use App\Civil\Models\CivilAlignment;
use App\Civil\Models\CivilSurface;
use App\Civil\SlopeStakes;
use App\Civil\Stations;
use App\Civil\SurfaceElevations;
use App\Civil\SurfaceMeeting;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Civil\Alignments\AlignmentDrawing;
use Parlay\Core\Civil\Roads\CatchPoint;
use Parlay\Core\Civil\Roads\RoadTemplate;
use Parlay\Core\Civil\Surfaces\AlongSurface;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Civil\Volumes\SectionDifference;
use Parlay\Core\Geometry\Position;

/** Points that come of surfaces: slope stakes, where two surfaces meet, and the elevations of points that are there. */
final class PointsOfSurfaces
{
    private const MOST = 2000;

    /** @return list<AlignmentPoint> */
    public function slopeStakes(Project $project, int $id, SlopeStakes $wanted): array
    {
        $row = CivilAlignment::inProject($project, $id);
        $template = $row->shape($wanted->template);
        $profile = $row->profile($wanted->profile);
        if (! $template instanceof RoadTemplate || $profile === null) {
            throw new \DomainException('Slope stakes need a profile and a template with side slopes. Type them for this alignment first.');
        }
        if ($template->cutSlope === null || $template->fillSlope === null) {
            throw new \DomainException("The template “{$template->name}” has no side slopes. Type them first.");
        }
        if (is_nan($wanted->interval) || $wanted->interval <= 0.0 || $row->length / $wanted->interval > self::MOST) {
            throw new \DomainException('Type an interval that gives no more than '.self::MOST.' stations.');
        }
        $ground = CivilSurface::inProject($project, $wanted->groundId)->packed();
        $alignment = $row->alignment();
        $points = [];
        foreach (AlignmentDrawing::stations($alignment, $wanted->interval) as $along) {
            $axis = $profile->elevationAt($along);
            foreach ($axis === null ? [] : array_keys(array_filter(['L' => $wanted->left, 'R' => $wanted->right])) as $letter) {
                $side = $letter === 'L' ? -1 : 1;
                [$out, $height] = $template->hinge($along, $side, $axis);
                $hinge = $alignment->at($along, $side * $out)->at($height);
                $azimuth = $alignment->azimuthAt($along) + $side * M_PI_2;
                $station = Stations::short($project, $alignment->stationing, $along);
                try {
                    $reach = $hinge->along($azimuth, CatchPoint::FARTHEST);
                    $index = new SurfaceIndex($ground->near(
                        min($hinge->northing, $reach->northing), min($hinge->easting, $reach->easting), max($hinge->northing, $reach->northing), max($hinge->easting, $reach->easting),
                    ));
                    $catch = CatchPoint::of($hinge, $azimuth, $template->cutSlope, $template->fillSlope, $index);
                    $points[] = self::point($project, "{$wanted->prefix}$station $letter", $catch->cut ? 'cut' : 'fill', $catch->place, $along, $station, $side * ($out + $catch->out), null);
                } catch (NoSurface $e) {
                    $points[] = self::point($project, "{$wanted->prefix}$station $letter", '', null, $along, $station, $side * $out, "$station $letter: {$e->getMessage()}");
                }
            }
        }

        return $points;
    }

    /** @return list<AlignmentPoint> */
    public function meetings(Project $project, SurfaceMeeting $wanted): array
    {
        $line = (new Givens($project, new DrawnShapes($project)))->chain($wanted->line);
        $surfaces = array_map(static fn (int $id) => CivilSurface::inProject($project, $id)->packed(), [$wanted->firstId, $wanted->secondId]);
        $corners = OutlineOf::corners($line);
        $points = [];
        $number = 0;
        for ($i = 1; $i < count($corners); $i++) {
            [$from, $to] = [$corners[$i - 1], $corners[$i]];
            [$a, $b] = array_map(static fn ($s) => AlongSurface::of(new SurfaceIndex($s->near(
                min($from->northing, $to->northing), min($from->easting, $to->easting), max($from->northing, $to->northing), max($from->easting, $to->easting),
            )), $from, $to), $surfaces);
            foreach ($a as $one) {
                foreach ($b as $other) {
                    foreach (SectionDifference::meetings($one, $other) as [$along, $elevation]) {
                        $points[] = self::point($project, ($wanted->prefix === '' ? 'D' : $wanted->prefix).++$number, '', $from->along($from->azimuthTo($to), $along, $elevation), null, '', 0.0, null);
                    }
                }
            }
        }

        return $points;
    }

    private static function point(Project $project, string $name, string $code, ?Position $at, ?float $along, string $station, float $right, ?string $fault): AlignmentPoint
    {
        return new AlignmentPoint(
            name: $name,
            code: $code,
            along: $along,
            station: $station,
            offset: $right,
            northing: $at?->northing,
            easting: $at?->easting,
            elevation: $at?->elevation,
            fault: $fault,
            taken: DB::table('stakeout_points')->where('project_id', $project->id)->where('name', $name)->exists(),
        );
    }

    /** What can't be reached is left out and stays a fault of the preview. */
    public function keepSlopeStakes(Project $project, int $id, SlopeStakes $wanted): int
    {
        $row = CivilAlignment::inProject($project, $id);
        $points = array_values(array_filter($this->slopeStakes($project, $id, $wanted), static fn (AlignmentPoint $p) => $p->fault === null));

        return KeepPoints::of($project, "Slope stakes of {$row->name}", $points, $wanted->code, static fn (AlignmentPoint $p): string => "slope stake of {$row->name} {$p->station}");
    }

    public function keepMeetings(Project $project, SurfaceMeeting $wanted): int
    {
        $names = array_map(static fn (int $id) => CivilSurface::inProject($project, $id)->name, [$wanted->firstId, $wanted->secondId]);

        return KeepPoints::of($project, 'Where surfaces meet', $this->meetings($project, $wanted), $wanted->code, static fn (): string => "where {$names[0]} meets {$names[1]}");
    }

    /** Gives points the elevation of a surface; those outside of it keep theirs. Gives how many got one. */
    public function elevations(Project $project, SurfaceElevations $wanted): int
    {
        $surface = CivilSurface::inProject($project, $wanted->surfaceId);
        $packed = $surface->packed();
        $before = $after = [];
        foreach (StakeoutPoint::of($project)->whereIn('id', $wanted->ids)->cursor() as $point) {
            $on = $packed->at($point->northing, $point->easting);
            if ($on !== null) {
                $before[$point->id] = ['elevation' => $point->elevation];
                $after[$point->id] = ['elevation' => $on->elevation + $wanted->verticalOffset];
            }
        }
        if ($after === []) {
            throw new \DomainException("None of these points lies on {$surface->name}. Nothing was changed.");
        }
        Preparation::step($project, "Elevations of {$surface->name}", static fn (Preparation $step) => $step->updateMany('stakeout_points', $before, $after));

        return count($after);
    }
}
