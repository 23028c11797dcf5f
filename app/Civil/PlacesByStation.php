<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilAlignment;
use App\Cogo\PlacesOnLine;
use App\Cogo\PlacesWay;
use App\Projects\Models\Project;
use Parlay\Core\Civil\Alignments\AlignmentDrawing;
use Parlay\Core\Civil\Alignments\MainPoint;
use Parlay\Core\Civil\Roads\Road;
use Parlay\Core\Geometry\Position;

/** Places of an alignment by their stations, at the height that is designed there. */
final readonly class PlacesByStation
{
    /** sine of the angle; a skewed offset of a few degrees would lie kilometres off */
    private const LEAST_SKEW = 0.08715574274765817;

    private Road $road;

    private string $called;

    public function __construct(private Project $project, private CivilLay $lay)
    {
        $row = CivilAlignment::inProject($project, (int) $lay->alignmentId);
        $this->road = $row->road($lay->profile, $lay->shape);
        $this->called = $row->name;
    }

    /** @return list<array{float, Position, float}> metres from the start, place, offset to the right */
    public function places(PlacesOnLine $body): array
    {
        $alignment = $this->road->alignment;
        $stations = match ($body->way) {
            PlacesWay::At => [$body->distance],
            PlacesWay::Next, PlacesWay::Before => [AlignmentDrawing::nextStation(
                $alignment, $this->interval($body), $body->distance, $body->way === PlacesWay::Next,
            )],
            PlacesWay::Every => AlignmentDrawing::stations($alignment, $this->interval($body)),
            PlacesWay::Parts => array_map(static fn (int $i) => $alignment->length * $i / max(1, $body->parts), range(0, max(1, min(2000, $body->parts)))),
            PlacesWay::Main => array_map(static fn (MainPoint $p) => $p->along, MainPoint::of($alignment)),
        };

        return array_map(fn (float $along): array => [$along, $this->at($along, $body->offset, $body->skew), $body->offset], $stations);
    }

    /** Metres. */
    private function interval(PlacesOnLine $body): float
    {
        return $body->interval > 0.0 ? $body->interval : throw new \DomainException('Type an interval above 0.');
    }

    public function at(float $along, float $right, ?float $skew): Position
    {
        if ($skew !== null && abs(sin($skew)) < self::LEAST_SKEW - 1e-12) {
            throw new \DomainException('A skew lies at least 5° off the direction of the alignment.');
        }
        $alignment = $this->road->alignment;
        $place = $skew === null || $right === 0.0
            ? $alignment->at($along, $right)
            : $alignment->at($along)->along($alignment->azimuthAt($along) + ($right < 0.0 ? $skew + M_PI : $skew), abs($right));
        if ($this->lay->heights === CivilHeights::None) {
            return $place;
        }
        if ($this->lay->heights === CivilHeights::Surface) {
            $aim = CivilAims::of(new CivilLay(surfaceId: $this->lay->surfaceId, verticalOffset: $this->lay->verticalOffset));

            return $aim->designedAt($place)->place;
        }
        // Skewed, it stands square to another station.
        $foot = $skew === null ? null : $alignment->foot($place);
        $on = $this->road->heightAt($foot->along ?? $along, $foot->offset ?? $right);

        return $place->at($on === null ? null : $on->elevation + $this->lay->verticalOffset);
    }

    /** The main point that is there, or else the station. */
    public function name(float $along): string
    {
        $alignment = $this->road->alignment;
        foreach (MainPoint::of($alignment) as $point) {
            if (abs($point->along - $along) < 1e-6) {
                return "{$this->called} ".CivilChoices::of($this->project)->nameOf($point->kind);
            }
        }

        return "{$this->called} ".Stations::short($this->project, $alignment->stationing, $along);
    }
}
