<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Control\Models\ControlPoint;
use App\Control\Models\GridLine;
use App\Designs\ShapeRef;
use App\Designs\TouchedSpot;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use Parlay\Core\Designs\ConnectedPieces;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Designs\ShapeLegs;
use Parlay\Core\Designs\Spot;
use Parlay\Core\Designs\SpotKind;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;

/** Finds what a computation is given: places, directions, distances, lines and chains, from the project as it stands. */
final class Givens
{
    /** @var array<int, Position> stakeout points, by id */
    private array $points = [];

    /** @var array<int, Position> */
    private array $control = [];

    /** @var array<int, GridLine> */
    private array $gridLines = [];

    /** @param  DrawnShapes  $shapes  of the drawing as it was touched, or as its newest revision has it */
    public function __construct(
        private readonly Project $project,
        public readonly DrawnShapes $shapes,
    ) {}

    /**
     * Points read once for many recipes, or moved in thought.
     *
     * @param  array<int, Position>  $points
     */
    public function know(array $points): void
    {
        $this->points = $points + $this->points;
    }

    public function place(GivenPlace $given): Position
    {
        return match (true) {
            $given->pointId !== null => $this->points[$given->pointId] ??= StakeoutPoint::of($this->project)->find($given->pointId)?->position()
                ?? throw new \DomainException('A point that this is computed from is gone. Choose another, or undo its deletion.'),
            $given->controlId !== null => $this->control[$given->controlId] ??= ControlPoint::of($this->project)
                ->find($given->controlId)
                ?->position()
                ?? throw new \DomainException('A control point that this is computed from is gone. Choose another.'),
            $given->spot !== null => $this->spot($given->spot),
            $given->element !== null => $this->shapes->things->place($given->element),
            $given->northing !== null && $given->easting !== null => new Position($given->northing, $given->easting, $given->elevation),
            default => throw new \DomainException('A place is missing: touch one, or type its name or its northing and easting.'),
        };
    }

    /**
     * @param  list<GivenPlace>  $given
     * @return list<Position>
     */
    public function places(array $given): array
    {
        return array_map($this->place(...), $given);
    }

    public function direction(GivenDirection $given): float
    {
        if ($given->from !== null && $given->to !== null) {
            return Line::through($this->place($given->from), $this->place($given->to))->azimuth + $given->plus;
        }

        if ($given->shape !== null) {
            return $this->shape($given->shape)->azimuth() + $given->plus;
        }

        return ($given->azimuth ?? throw new \DomainException('A direction is missing: type one, or take it from two places.'))
            + $given->plus;
    }

    public function distance(GivenDistance $given): float
    {
        if ($given->from !== null && $given->to !== null) {
            return $this->place($given->from)->distanceTo($this->place($given->to)) + $given->plus;
        }

        return ($given->metres ?? throw new \DomainException('A distance is missing: type one, or take it from two places.'))
            + $given->plus;
    }

    public function line(GivenLine $given): Line
    {
        $line = $this->withoutOffset($given);
        if ($given->towardId === null) {
            return $line->offset($given->offset);
        }
        $toward = $this->gridLine($given->towardId);
        $side = $line->right($toward->from()) + $line->right($toward->to());

        return $line->offset($side < 0 ? -$given->offset : $given->offset);
    }

    /** @return array{Position, Position} the ends of the drawn part; a line given by a direction is drawn for a hundred metres */
    public function drawn(GivenLine $given): array
    {
        $ray = $this->withoutOffset($given);
        if ($given->shape !== null) {
            $shape = $this->shape($given->shape);

            return [$shape->pointAt(0.0), $shape->pointAt(1.0)];
        }
        if ($given->gridLineId !== null) {
            $line = $this->gridLine($given->gridLineId);

            return [$line->from(), $line->to()];
        }

        return [$ray->from, $given->direction !== null ? $ray->at(100.0) : $this->place($given->to ?? new GivenPlace)];
    }

    public function chain(?GivenPolyline $given): Polyline
    {
        if ($given?->gridLineId !== null) {
            return $this->ofGridLine($this->gridLine($given->gridLineId), $given->reversed);
        }
        if ($given === null || ($given->shapes === [] && $given->places === [])) {
            throw new \DomainException('A line is missing: touch a line or arc of a drawing, or choose places one after another.');
        }
        if ($given->shapes === []) {
            $chain = Polyline::through($this->places($given->places), $given->closed);
        } else {
            $pieces = match (true) {
                count($given->shapes) > 1 => array_map($this->shape(...), $given->shapes),
                $given->connected => $this->connected($given->shapes[0]),
                $given->whole => $this->entity($given->shapes[0]),
                default => [$this->shape($given->shapes[0])],
            };
            $legs = array_merge(...array_map(ShapeLegs::of(...), $pieces));
            if ($legs === []) {
                throw NoConstruction::contradiction('Only lines, arcs and circles can be measured along; splines and ellipses can’t yet.');
            }
            $chain = Polyline::of($legs);
        }
        if ($given->nearNorthing !== null && $given->nearEasting !== null) {
            $chain = $chain->beginningNear(new Position($given->nearNorthing, $given->nearEasting));
        }

        return $given->reversed ? $chain->reversed() : $chain;
    }

    public function shape(ShapeRef $ref): Shape
    {
        return $this->shapes->of($ref->layerId, $ref->shape);
    }

    public function spot(TouchedSpot $spot): Position
    {
        $shape = $this->shapes->of($spot->layerId, $spot->shape);
        if ($spot->kind !== SpotKind::Intersection) {
            return Spot::of(
                $shape, $spot->kind,
                $spot->nearNorthing === null || $spot->nearEasting === null ? null : new Position($spot->nearNorthing, $spot->nearEasting),
            );
        }
        if ($spot->withLayerId === null || $spot->withShape === null) {
            throw new \DomainException('An intersection needs the second line or arc.');
        }
        $near = new Position($spot->nearNorthing ?? $shape->pointAt(0.5)->northing, $spot->nearEasting ?? $shape->pointAt(0.5)->easting);

        return Spot::crossing($shape, $this->shapes->of($spot->withLayerId, $spot->withShape), $near, $spot->prolonged);
    }

    private function withoutOffset(GivenLine $given): Line
    {
        if ($given->shape !== null) {
            $shape = $this->shape($given->shape);

            return $shape->kind === ShapeKind::Line ? Line::through($shape->pointAt(0.0), $shape->pointAt(1.0))
                : throw NoConstruction::contradiction('A straight line is needed here, and a '.$shape->kind->word().' was touched.');
        }
        if ($given->gridLineId !== null) {
            $line = $this->gridLine($given->gridLineId);

            return $line->ring
                ? throw NoConstruction::contradiction("A straight line is needed here, and {$line->name} is a ring.")
                : Line::through($line->from(), $line->to());
        }
        $from = $this->place($given->from ?? new GivenPlace);

        return $given->direction !== null
            ? new Line($from, $this->direction($given->direction))
            : Line::through($from, $this->place($given->to ?? new GivenPlace));
    }

    private function ofGridLine(GridLine $line, bool $reversed): Polyline
    {
        if ($line->ring) {
            throw NoConstruction::contradiction("Grid line {$line->name} is a ring. Touch its arc in the drawing.");
        }

        return Polyline::through($reversed ? [$line->to(), $line->from()] : [$line->from(), $line->to()]);
    }

    private function gridLine(int $id): GridLine
    {
        return $this->gridLines[$id] ??= GridLine::of($this->project)->find($id)
            ?? throw new \DomainException('That grid line is gone. Choose another.');
    }

    /** @return list<Shape> all of the polyline that a piece belongs to */
    private function entity(ShapeRef $ref): array
    {
        [$layer, $number] = $this->shapes->follow($ref->layerId, $ref->shape);

        return ConnectedPieces::ofEntity($this->shapes->read($layer), $number);
    }

    /** @return list<Shape> the piece and all that joins it on its layer, in order */
    private function connected(ShapeRef $ref): array
    {
        return ConnectedPieces::from($this->shapes->layer($ref->layerId)->drawing(), $this->shapes->number($ref->layerId, $ref->shape));
    }
}
