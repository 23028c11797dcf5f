<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\CivilChoices;
use App\Civil\Models\CivilSurface;
use App\Civil\SurfaceDeed;
use App\Civil\SurfaceEdit;
use App\Civil\SurfaceKind;
use App\Civil\SurfaceToMake;
use App\Clock;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;
use App\Seen;
use App\Typed\Values;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Civil\Surfaces\Breakline;
use Parlay\Core\Civil\Surfaces\MakingRemark;
use Parlay\Core\Civil\Surfaces\MakingRemarkKind;
use Parlay\Core\Civil\Surfaces\Outline;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceEditing;
use Parlay\Core\Civil\Surfaces\SurfaceMade;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Position;

/** Makes a surface of points and lines of the project, and changes single triangles of it. */
final class MakeSurface
{
    /** An arc is followed by chords that stand off it by no more, metres. */
    private const SAG = 0.005;

    private const MOST_REMARKS = 20;

    public function make(Project $project, SurfaceToMake $body): CivilSurface
    {
        $name = PointName::checked($body->name);
        $made = self::made($project, $body);

        return Preparation::step($project, "Surface $name", static function (Preparation $step) use ($project, $body, $name, $made): CivilSurface {
            $row = CivilSurface::keep($project, $made->surface, [
                'name' => KeepAlignment::freeName($project, 'surfaces', $name), 'source' => 'made here', 'kind' => $body->kind->value,
                'taken_at' => Clock::stamp(), 'removed_at' => Clock::stamp(), 'remarks' => self::remarks($project, $made->remarks),
                'given' => ['made' => json_decode((string) json_encode($body), true), 'edits' => []],
            ]);
            $step->update($row, ['removed_at' => null]);
            $choices = CivilChoices::of($project);
            if ($choices->surfaceId === null && $body->kind === SurfaceKind::Design) {
                $step->update($project, ['civil' => json_encode(['surfaceId' => $row->id] + (array) $choices, JSON_THROW_ON_ERROR)]);
            }

            return $row;
        });
    }

    public function edit(Project $project, int $id, SurfaceEdit $edit): CivilSurface
    {
        $row = CivilSurface::inProject($project, $id);
        if ($row->given === null) {
            throw new \DomainException('This surface came in a file: it is what its designer made. Make one of its points to change it.');
        }
        Seen::requireVersion($row, $edit->seen, $row->name);
        $edits = $row->given['edits'];
        if ($edit->deed === SurfaceDeed::TakeBack) {
            array_pop($edits);
            $surface = self::made($project, Values::of($row->given['made'], SurfaceToMake::class))->surface;
            foreach ($edits as [$deed, $northing, $easting]) {
                $surface = self::edited($surface, SurfaceDeed::from($deed), $northing, $easting);
            }
        } else {
            $edits[] = [$edit->deed->value, $edit->northing, $edit->easting];
            $surface = self::edited($row->surface(), $edit->deed, $edit->northing, $edit->easting);
        }

        return DB::transaction(static function () use ($project, $row, $surface, $edits, $edit): CivilSurface {
            // Another may have come first while this one was worked out.
            Seen::requireVersion($row->refresh(), $edit->seen, $row->name);
            $row->keepAnew($surface, ['version' => $row->version + 1, 'given' => ['edits' => $edits] + $row->given]);
            DB::table('aims')->where('lay->surfaceId', $row->id)->increment('version');
            $project->changed();

            return $row->refresh();
        });
    }

    private static function edited(Surface $surface, SurfaceDeed $deed, float $northing, float $easting): Surface
    {
        return $deed === SurfaceDeed::Swap ? SurfaceEditing::swapped($surface, $northing, $easting)
            : SurfaceEditing::withoutTriangle($surface, $northing, $easting);
    }

    public static function made(Project $project, SurfaceToMake $body): SurfaceMade
    {
        $layers = array_map(static fn (int $id) => (new DrawnShapes($project))->layer($id)->drawing(), $body->layerIds);
        if ($body->faces) {
            return new SurfaceMade(self::ofFaces($layers), []);
        }
        $points = [];
        foreach (StakeoutPoint::of($project)->whereIn('id', $body->pointIds)->whereNotNull('elevation')->cursor() as $point) {
            $points[] = $point->position();
        }
        $lines = [];
        foreach ($layers as $layer) {
            foreach (self::shapes($layer) as $shape) {
                if (in_array($shape->kind, [ShapeKind::Point, ShapeKind::Insert], true) && ! is_nan($shape->v[2])) {
                    $points[] = $shape->pointAt(0.0);
                } elseif (in_array($shape->kind, [ShapeKind::Line, ShapeKind::Arc], true)) {
                    $lines[] = self::breakline($shape);
                }
            }
        }

        return SurfaceMaking::of(
            $points, array_values(array_filter($lines)), self::outline($project, $body), longestEdge: $body->longestEdge,
        );
    }

    private static function outline(Project $project, SurfaceToMake $body): ?Outline
    {
        if ($body->outline === null) {
            return null;
        }
        $chain = (new Givens($project, new DrawnShapes($project)))->chain($body->outline);

        return new Outline(array_map(static fn (Position $p) => $p->at(null), OutlineOf::corners($chain)));
    }

    /** @return \Generator<Shape> */
    private static function shapes(DrawingLayer $layer): \Generator
    {
        $records = $layer->records();
        for ($i = 0; $i < $layer->count; $i++) {
            yield Shape::unpack(substr($records, $i * Shape::BYTES, Shape::BYTES));
        }
    }

    private static function breakline(Shape $shape): ?Breakline
    {
        $parts = $shape->kind === ShapeKind::Line ? 1
            : (int) max(2, ceil(abs($shape->v[5]) / (2 * acos(max(-1.0, 1 - self::SAG / max($shape->v[3], self::SAG))))));
        $places = [];
        for ($i = 0; $i <= $parts; $i++) {
            $places[] = $shape->pointAt($i / $parts);
        }

        // A line without heights says nothing of the ground.
        return array_filter($places, static fn (Position $p) => $p->elevation === null || is_nan($p->elevation)) === [] ? new Breakline($places) : null;
    }

    /** @param  list<DrawingLayer>  $layers */
    private static function ofFaces(array $layers): Surface
    {
        $numbers = $n = $e = $z = $corners = [];
        foreach ($layers as $layer) {
            foreach (self::shapes($layer) as $shape) {
                if ($shape->kind !== ShapeKind::Face) {
                    continue;
                }
                if (is_nan($shape->v[2] + $shape->v[5] + $shape->v[8])) {
                    throw new \DomainException("The faces of “{$layer->name}” have no heights here: the drawing was taken without them. Bring it in again with its heights.");
                }
                $three = [];
                foreach ([0, 3, 6] as $k) {
                    [$x, $y, $h] = [$shape->v[$k], $shape->v[$k + 1], $shape->v[$k + 2]];
                    $key = round($x * 1e4).'/'.round($y * 1e4).'/'.round($h * 1e4);
                    if (! isset($numbers[$key])) {
                        $numbers[$key] = count($n);
                        [$n[], $e[], $z[]] = [$y, $x, $h];
                    }
                    $three[] = $numbers[$key];
                }
                [$a, $b, $c] = $three;
                $turn = ($n[$b] - $n[$a]) * ($e[$c] - $e[$a]) - ($n[$c] - $n[$a]) * ($e[$b] - $e[$a]);
                if ($turn !== 0.0) {
                    array_push($corners, $a, ...($turn < 0.0 ? [$b, $c] : [$c, $b]));
                }
            }
        }
        if ($corners === []) {
            throw new \DomainException('These layers hold no faces that cover ground. Choose the layer with the triangles, or make the surface of its points and lines.');
        }

        return new Surface($n, $e, $z, $corners);
    }

    /**
     * @param  list<MakingRemark>  $remarks
     * @return list<string>
     */
    private static function remarks(Project $project, array $remarks): array
    {
        $length = $project->length_style;
        $said = array_map(static fn (MakingRemark $r): string => sprintf(
            match ($r->kind) {
                MakingRemarkKind::TwoHeights => 'Two heights at %s, %s, %s apart: the first counts.',
                MakingRemarkKind::LinesCross => 'Lines cross at %s, %s with heights %s apart: the middle counts.',
                MakingRemarkKind::OutlineMeetsLine => 'An outline meets a line at %s, %s with a height %s apart: the line’s counts.',
                MakingRemarkKind::OutlineFar => 'The outline that begins at %s, %s lies %s off the ground in height: it cuts, and its heights do not count.',
            },
            $length->format($r->at->northing), $length->format($r->at->easting), $length->format(abs($r->apart)),
        ), array_slice($remarks, 0, self::MOST_REMARKS));
        $more = count($remarks) - self::MOST_REMARKS;

        return $more > 0 ? [...$said, "And $more more of this kind."] : $said;
    }
}
