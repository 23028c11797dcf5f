<?php

declare(strict_types=1);

namespace App\Lists\Actions;

use App\Clock;
use App\Lists\PointsFileWanted;
use App\Projects\Models\Project;
use App\Stakeout\WhatCounts;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Parlay\Core\Formats\Dxf\DxfPointsWriter;
use Parlay\Core\Formats\GeoJson\GeoJsonWriter;
use Parlay\Core\Formats\LandXml\LandXmlWriter;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\Formats\PointText\PointTextWriter;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Point;

/** Points of a project as a file, written piece by piece. */
final class PointsOut
{
    private const REPLACED = 'AS-BUILT-REPLACED';

    private const TABLES = ['control' => 'control_points', 'points' => 'stakeout_points', 'as-built' => 'marks'];

    /** @return array{iterable<string>, string, string} pieces, file name, media type */
    public function __invoke(Project $project, PointsFileWanted $query): array
    {
        $unknown = array_diff($query->what, array_keys(self::TABLES));
        if ($query->what === [] || $unknown !== []) {
            throw new \DomainException('Say what goes out: control, points or as-built.');
        }
        $points = self::points($project, $query->what, $query->all);
        $name = (Str::slug($project->name) ?: 'project').'-'.implode('-', $query->what);
        $time = Clock::stamp();

        return match ($query->format) {
            'csv' => [PointTextWriter::lines(
                $points,
                new Layout($query->separator === 'tab' ? "\t" : $query->separator, $query->decimalMark, 0, $query->columns, $query->unit),
            ), "$name.csv", 'text/csv; charset=UTF-8'],
            'dxf' => [DxfPointsWriter::pieces($points, [...array_map(strtoupper(...), $query->what), ...($query->all ? [self::REPLACED] : [])]), "$name.dxf", 'image/vnd.dxf'],
            'landxml' => [
                LandXmlWriter::pieces($points, $project->name, substr($time, 0, 10), substr($time, 11, 8)), "$name.xml",
                'application/xml',
            ],
            'geojson' => [GeoJsonWriter::pieces($points, $project->name), "$name.geojson", 'application/geo+json'],
            default => throw new \DomainException('The format is csv, dxf, landxml or geojson.'),
        };
    }

    /**
     * @param  list<string>  $what  control, points, as-built
     * @param  bool  $all  of what was measured also what was measured again since
     * @return \Generator<Point>
     */
    public static function points(Project $project, array $what, bool $all = false): \Generator
    {
        foreach ($what as $kind) {
            if ($kind === 'as-built') {
                yield from self::measured($project, $all);

                continue;
            }
            foreach (DB::table(self::TABLES[$kind])->where('project_id', $project->id)->orderBy('id')->lazy(2000) as $r) {
                yield new Point(
                    $r->name, new Position($r->northing, $r->easting, $r->elevation), $r->code ?? '', $r->description ?? '', strtoupper($kind),
                );
            }
        }
    }

    /**
     * What counts of what was measured; or all of it, and then each says how it came out, and when.
     *
     * @return \Generator<Point>
     */
    private static function measured(Project $project, bool $all): \Generator
    {
        $counts = WhatCounts::of($project);
        $rows = DB::table('standing_marks')->where('project_id', $project->id)->whereIn('kind', ['stake', 'as_built'])->orderBy('id')
            ->select(['id', 'name', 'northing', 'easting', 'elevation', 'code', 'verdict', 'at']);
        foreach ($rows->lazy(2000) as $r) {
            $is = $counts->counts((int) $r->id);
            if ($is || $all) {
                yield new Point(
                    $r->name, new Position($r->northing, $r->easting, $r->elevation), $r->code,
                    $all ? ($is ? $r->verdict : 'replaced')." {$r->at}" : '', $is ? 'AS-BUILT' : self::REPLACED,
                );
            }
        }
    }
}
