<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\AlignmentPoint;
use App\Civil\AlignmentPoints;
use App\Civil\CivilAims;
use App\Civil\CivilChoices;
use App\Civil\CivilLay;
use App\Civil\Models\CivilAlignment;
use App\Civil\PlacesByStation;
use App\Civil\Stations;
use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\AlignmentDrawing;
use Parlay\Core\Civil\Alignments\MainPoint;
use Parlay\Core\Formats\PointText\StationRows;

/** Makes points along an alignment: at round stations, at its main points, or of a list of stations and offsets. */
final class PointsOfAlignment
{
    private const MOST = 5000;

    /** @return list<AlignmentPoint> as they would be made */
    public function preview(Project $project, int $id, AlignmentPoints $wanted): array
    {
        $row = CivilAlignment::inProject($project, $id);
        $lay = new CivilLay(
            alignmentId: $id, surfaceId: $wanted->surfaceId, heights: $wanted->heights, profile: $wanted->profile, shape: $wanted->shape,
            verticalOffset: $wanted->verticalOffset,
        );
        CivilAims::check($project, $lay);
        $places = new PlacesByStation($project, $lay);
        $alignment = $row->alignment();
        $taken = DB::table('stakeout_points')->where('project_id', $project->id)->pluck('id', 'name');
        $points = [];
        foreach (trim($wanted->rows) !== '' ? self::listed($project, $alignment, $wanted) : self::regular($project, $alignment, $wanted) as $p) {
            if ($p['fault'] !== null) {
                $points[] = AlignmentPoint::faulty($p['name'], $p['code'], $p['right'], $p['fault']);

                continue;
            }
            $at = $places->at($p['along'], $p['right'], null);
            $points[] = new AlignmentPoint(
                name: $p['name'],
                code: $p['code'],
                along: $p['along'],
                station: Stations::written($project, $alignment->stationing, $p['along']),
                offset: $p['right'],
                northing: $at->northing,
                easting: $at->easting,
                elevation: $at->elevation,
                fault: null,
                taken: isset($taken[$p['name']]),
            );
            if (count($points) > self::MOST) {
                throw new \DomainException('That would make more than '.self::MOST.' points. Choose a longer interval.');
            }
        }

        return $points;
    }

    public function keep(Project $project, int $id, AlignmentPoints $wanted): int
    {
        $row = CivilAlignment::inProject($project, $id);

        return KeepPoints::of(
            $project, "Points of {$row->name}", $this->preview($project, $id, $wanted), $wanted->code,
            static fn (AlignmentPoint $p): string => self::from($project, $row, $p),
        );
    }

    private static function from(Project $project, CivilAlignment $row, AlignmentPoint $p): string
    {
        $beside = $p->offset === 0.0 ? '' : ', '.$project->length_style->format(abs($p->offset)).($p->offset < 0.0 ? ' left' : ' right');

        return "{$row->name} {$p->station}$beside";
    }

    /** @return \Generator<array{name: string, code: string, along: float, right: float, fault: null}> */
    private static function regular(Project $project, Alignment $alignment, AlignmentPoints $wanted): \Generator
    {
        $choices = CivilChoices::of($project);
        $places = [];
        if ($wanted->interval > 0.0) {
            if ($alignment->length / $wanted->interval > self::MOST) {
                throw new \DomainException('That would make more than '.self::MOST.' points. Choose a longer interval.');
            }
            foreach (AlignmentDrawing::stations($alignment, $wanted->interval) as $along) {
                $places[sprintf('%.4F', $along)] = [$along, ''];
            }
        }
        foreach ($wanted->main ? MainPoint::of($alignment) : [] as $point) {
            $places[sprintf('%.4F', $point->along)] = [$point->along, $choices->nameOf($point->kind)];
        }
        usort($places, static fn (array $a, array $b) => $a[0] <=> $b[0]);
        $times = array_count_values(array_filter(array_column($places, 1)));
        $counted = [];
        foreach ($places as [$along, $main]) {
            if ($along < ($wanted->from ?? -INF) - 1e-9 || $along > ($wanted->to ?? INF) + 1e-9) {
                continue;
            }
            $number = $main === '' ? 0 : $counted[$main] = ($counted[$main] ?? 0) + 1;
            $called = $main === '' ? Stations::short($project, $alignment->stationing, $along) : $main.(($times[$main] ?? 1) > 1 ? $number : '');
            foreach ($wanted->offsets === [] ? [0.0] : $wanted->offsets as $right) {
                yield [
                    'name' => trim("{$wanted->prefix}$called".self::beside($project, $right)), 'code' => $wanted->code, 'along' => $along,
                    'right' => $right, 'fault' => null,
                ];
            }
        }
    }

    private static function beside(Project $project, float $right): string
    {
        return $right === 0.0 ? '' : ' '.($right < 0.0 ? 'L' : 'R').$project->length_style->format(abs($right));
    }

    /** @return \Generator<array{name: string, code: string, along: float, right: float, fault: string|null}> */
    private static function listed(Project $project, Alignment $alignment, AlignmentPoints $wanted): \Generator
    {
        $metres = Stations::unit($project->length_style)->metres();
        foreach (StationRows::read($wanted->rows, $wanted->positiveRight) as $row) {
            $fault = $row->fault;
            $along = 0.0;
            if ($fault === null) {
                $places = $alignment->stationing->placesOf($row->station * $metres, $alignment->length);
                $along = $places[0] ?? 0.0;
                $fault = match (true) {
                    $places === [] => 'no place has this station: it falls into the gap of a station equation',
                    count($places) > 1 => 'this station stands twice on the alignment, before and after an equation',
                    $along < -1e-6 || $along > $alignment->length + 1e-6 => 'this station lies off the alignment',
                    default => null,
                };
            }
            yield [
                'name' => $row->name !== '' ? $row->name : trim($wanted->prefix.($fault === null ? Stations::short($project, $alignment->stationing, $along) : '').self::beside($project, $row->offset * $metres)),
                'code' => $row->code, 'along' => $along, 'right' => $row->offset * $metres,
                'fault' => $fault === null ? null : "Line {$row->line}: $fault.",
            ];
        }
    }
}
