<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\CivilChoices;
use App\Civil\CivilFormat;
use App\Civil\Models\CivilAlignment;
use App\Civil\Models\CivilSurface;
use App\Civil\Stations;
use App\Clock;
use App\Projects\Models\Project;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Parlay\Core\Civil\Alignments\AlignmentDrawing;
use Parlay\Core\Civil\Alignments\MainPoint;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Roads\CrossSections;
use Parlay\Core\Formats\Dxf\DxfModelWriter;
use Parlay\Core\Formats\LandXml\AlignmentWriter;
use Parlay\Core\Formats\LandXml\LandXmlWriter;
use Parlay\Core\Formats\LandXml\SurfaceWriter;
use Parlay\Core\Formats\SpreadsheetCell;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Point;

/** The alignments, surfaces and points of a project as a file, written piece by piece. */
final class CivilOut
{
    /** @return array{iterable<string>, string, string} pieces, file name, media type */
    public function __invoke(Project $project, CivilFormat $format): array
    {
        $alignments = CivilAlignment::query()->where('project_id', $project->id)->whereNull('removed_at')->orderBy('id')->get();
        $surfaces = CivilSurface::query()->where('project_id', $project->id)->whereNull('removed_at')->orderBy('id')->get(CivilSurface::LISTED);
        $name = (Str::slug($project->name) ?: 'project').'-model';

        return match ($format) {
            CivilFormat::LandXml => [self::landXml($project, $alignments, $surfaces), "$name.xml", 'application/xml'],
            CivilFormat::Dxf => [self::dxf($alignments, $surfaces), "$name.dxf", 'image/vnd.dxf'],
            CivilFormat::Csv => [self::csv($project, $alignments), "$name.csv", 'text/csv; charset=UTF-8'],
        };
    }

    /**
     * @param  Collection<int, CivilAlignment>  $alignments
     * @param  Collection<int, CivilSurface>  $surfaces
     * @return iterable<string>
     */
    private static function landXml(Project $project, Collection $alignments, Collection $surfaces): iterable
    {
        $time = Clock::stamp();

        return LandXmlWriter::pieces(
            self::points($project), $project->name, substr($time, 0, 10), substr($time, 11, 8), $alignments->map(static fn (CivilAlignment $a) => AlignmentWriter::pieces(
                $a->name, $a->description, $a->alignment(), self::designed($a), self::sections($a),
            ))->all(), self::each($surfaces),
        );
    }

    /**
     * One surface is held at a time.
     *
     * @param  Collection<int, CivilSurface>  $surfaces
     * @return \Generator<\Generator<string>>
     */
    private static function each(Collection $surfaces): \Generator
    {
        foreach ($surfaces as $s) {
            yield SurfaceWriter::pieces($s->name, $s->description, $s->surface());
        }
    }

    /** @return list<Profile> */
    private static function designed(CivilAlignment $a): array
    {
        return array_values(array_filter($a->profileList(), static fn (Profile $p, int $i) => ! $a->profiles[$i]['ground'], ARRAY_FILTER_USE_BOTH));
    }

    /** @return list<CrossSections> */
    private static function sections(CivilAlignment $a): array
    {
        $shapes = array_map(static fn (int $i) => $a->shape($i), array_keys($a->shapes));

        return array_values(array_filter($shapes, static fn (mixed $s) => $s instanceof CrossSections));
    }

    /** @return \Generator<Point> */
    private static function points(Project $project): \Generator
    {
        foreach (DB::table('stakeout_points')->where('project_id', $project->id)->orderBy('id')->lazy(2000) as $r) {
            yield new Point($r->name, new Position($r->northing, $r->easting, $r->elevation), $r->code ?? '', $r->description ?? '', 'POINTS');
        }
    }

    /**
     * @param  Collection<int, CivilAlignment>  $alignments
     * @param  Collection<int, CivilSurface>  $surfaces
     * @return iterable<string>
     */
    private static function dxf(Collection $alignments, Collection $surfaces): iterable
    {
        $lines = $faces = [];
        foreach ($alignments as $a) {
            $alignment = $a->alignment();
            $profile = $a->profile($a->designedProfile());
            $lines["ALIGNMENT-{$a->name}"] = array_map(
                static fn (Position $p): Position => $p->at($profile?->elevationAt($alignment->foot($p)->along)), AlignmentDrawing::chords($alignment),
            );
        }
        foreach ($surfaces as $s) {
            $faces["SURFACE-{$s->name}"] = static fn () => $s->surface();
        }

        return DxfModelWriter::pieces($lines, $faces);
    }

    /**
     * Stations and main points of all alignments.
     *
     * @param  Collection<int, CivilAlignment>  $alignments
     * @return \Generator<string>
     */
    private static function csv(Project $project, Collection $alignments): \Generator
    {
        $choices = CivilChoices::of($project);
        yield "\u{FEFF}".self::line(['alignment', 'point', 'station', 'region', 'northing m', 'easting m', 'elevation m', 'azimuth °']);
        foreach ($alignments as $a) {
            $alignment = $a->alignment();
            $profile = $a->profile($a->designedProfile());
            $rows = array_map(static fn (float $along): array => [$along, ''], AlignmentDrawing::stations($alignment, $choices->interval));
            foreach (MainPoint::of($alignment) as $point) {
                $rows[] = [$point->along, $choices->nameOf($point->kind)];
            }
            sort($rows);
            foreach ($rows as [$along, $point]) {
                $at = $alignment->at($along);
                $elevation = $profile?->elevationAt($along);
                yield self::line([
                    SpreadsheetCell::write($a->name), $point, Stations::figure($project, $alignment->stationing->stationAt($along)),
                    (string) $alignment->stationing->regionAt($along), sprintf('%.4F', $at->northing), sprintf('%.4F', $at->easting),
                    $elevation === null ? '' : sprintf('%.4F', $elevation), sprintf('%.5F', rad2deg($alignment->azimuthAt($along))),
                ]);
            }
        }
    }

    /** @param  list<string>  $cells */
    private static function line(array $cells): string
    {
        return implode(',', array_map(static fn (string $c): string => preg_match('~[",\n]~', $c) === 1 ? '"'.str_replace('"', '""', $c).'"' : $c, $cells))."\n";
    }
}
