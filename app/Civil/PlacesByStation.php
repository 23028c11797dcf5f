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
            PlacesWay::Parts => AlignmentDrawing::divided($alignment, $body->parts),
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
        $place = $this->road->beside($along, $right, $skew);
        if ($this->lay->heights === CivilHeights::None) {
            return $place;
        }
        if ($this->lay->heights === CivilHeights::Surface) {
            $aim = CivilAims::of(new CivilLay(surfaceId: $this->lay->surfaceId, verticalOffset: $this->lay->verticalOffset));

            return $aim->designedAt($place)->place;
        }
        $on = $this->road->heightBeside($along, $right, $skew, $place);

        return $place->at($on === null ? null : $on->elevation + $this->lay->verticalOffset);
    }

    /** The main point that is there, or else the station. */
    public function name(float $along): string
    {
        $alignment = $this->road->alignment;
        $point = MainPoint::thatIs($alignment, $along);
        if ($point !== null) {
            return "{$this->called} ".CivilChoices::of($this->project)->nameOf($point->kind);
        }

        return "{$this->called} ".Stations::short($this->project, $alignment->stationing, $along);
    }
}
