<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\Cogo\BestFit;
use Parlay\Core\Cogo\ConstructionKind;
use Parlay\Core\Cogo\CurveElement;
use Parlay\Core\Cogo\Inverse;
use Parlay\Core\Cogo\Made;
use Parlay\Core\Cogo\MadePlace;
use Parlay\Core\Cogo\PlacesFound;
use Parlay\Core\Cogo\PlacesInPattern;
use Parlay\Core\Cogo\PlacesOnArc;
use Parlay\Core\Cogo\PlacesOnPolyline;
use Parlay\Core\Cogo\SimpleCurve;
use Parlay\Core\Cogo\Sketch;
use Parlay\Core\Cogo\SketchLeg;
use Parlay\Core\Cogo\Triangle;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthStyle;

/** Works out a construction from what it is given; stores nothing. */
final readonly class Construct
{
    public function __construct(
        private Givens $givens,
        private LengthStyle $style,
    ) {}

    /** @throws \DomainException with the reason in the project's unit */
    public function made(Construction $body): Made
    {
        try {
            return $this->of($body);
        } catch (NoConstruction $e) {
            throw new \DomainException($e->in($this->style));
        }
    }

    private function of(Construction $b): Made
    {
        return match ($b->kind) {
            ConstructionKind::Place => Made::one([new MadePlace($this->place($b, 0))]),
            ConstructionKind::DirectionDistance => PlacesFound::byDirectionAndDistance(
                $this->place($b, 0), $this->direction($b, 0), $this->distance($b, 0), $b->offset,
            ),
            ConstructionKind::TurnedAngle => PlacesFound::byTurnedAngle(
                $this->place($b, 0), $this->place($b, 1), $b->angle, $this->distance($b, 0),
            ),
            ConstructionKind::TwoLines => PlacesFound::byTwoLines($this->line($b, 0), $this->line($b, 1)),
            ConstructionKind::LineDistance => PlacesFound::byLineAndDistance(
                $this->line($b, 0), $this->place($b, 0), $this->distance($b, 0),
            ),
            ConstructionKind::TwoDistances => PlacesFound::byTwoDistances(
                $this->place($b, 0), $this->distance($b, 0), $this->place($b, 1), $this->distance($b, 1),
            ),
            ConstructionKind::Along => PlacesOnPolyline::at(
                $this->givens->chain($b->chain), $this->distance($b, 0), $b->offset, $b->alongArc,
            ),
            ConstructionKind::Foot => PlacesOnPolyline::foot($this->givens->chain($b->chain), $this->place($b, 0)),
            ConstructionKind::Divided => PlacesOnPolyline::divided($this->givens->chain($b->chain), $b->count, $b->offset),
            ConstructionKind::Every => PlacesOnPolyline::every(
                $this->givens->chain($b->chain), $this->distance($b, 0), $b->corners, $b->offset,
            ),
            ConstructionKind::Parallel => PlacesOnPolyline::parallel($this->givens->chain($b->chain), $b->offset),
            ConstructionKind::Corners => PlacesOnPolyline::corners($this->givens->chain($b->chain)),
            ConstructionKind::SetBack => PlacesOnPolyline::setBack($this->givens->chain($b->chain), $this->distance($b, 0)),
            ConstructionKind::Area => PlacesOnPolyline::enclosed($this->givens->chain($b->chain)),
            ConstructionKind::ArcThroughThree => PlacesOnArc::throughThree($this->place($b, 0), $this->place($b, 1), $this->place($b, 2)),
            ConstructionKind::ArcLeaving => PlacesOnArc::leaving(
                $this->place($b, 0), $this->direction($b, 0), $this->curve($b), $b->toTheRight,
            ),
            ConstructionKind::ArcBetween => PlacesOnArc::between(
                $this->place($b, 0), $this->place($b, 1), ...[...$this->element($b), $b->toTheRight, $b->count],
            ),
            ConstructionKind::ArcBetweenTangents => PlacesOnArc::betweenTangents(
                $this->line($b, 0), $this->line($b, 1), $this->distance($b, 0),
            ),
            ConstructionKind::BestLine => BestFit::line($this->givens->places($b->places))->made(),
            ConstructionKind::BestCircle => BestFit::circle($this->givens->places($b->places))->made(),
            ConstructionKind::BestPlane => BestFit::plane($this->givens->places($b->places))->made(),
            ConstructionKind::Inverse => Inverse::along($this->givens->places($b->places)),
            ConstructionKind::BoltCircle => PlacesInPattern::circle(
                $this->givens->places($b->places), $this->distance($b, 0), $b->count, $this->turn($b),
            ),
            ConstructionKind::BoltRectangle => PlacesInPattern::rectangle(
                $this->givens->places($b->places), $b->count, $b->across, $this->distance($b, 0), $this->distance($b, 1),
                $this->turn($b),
            ),
            ConstructionKind::BoltList => PlacesInPattern::offsets(
                $this->givens->places($b->places), array_map(static fn (GivenOffset $o) => [$o->along, $o->offset], $b->pattern),
                $this->turn($b),
            ),
            ConstructionKind::Curve => Made::one([], $this->curve($b)->figures()),
            ConstructionKind::Triangle => $this->triangle($b),
            ConstructionKind::Sketch => Sketch::made(
                $this->place($b, 0), array_map($this->leg(...), $b->legs), $b->closing,
                $b->closingDirection === null ? 0.0 : $this->givens->direction($b->closingDirection), $b->offset,
            ),
        };
    }

    private function place(Construction $b, int $i): Position
    {
        return $this->givens->place($b->places[$i] ?? new GivenPlace);
    }

    private function direction(Construction $b, int $i): float
    {
        return $this->givens->direction($b->directions[$i] ?? new GivenDirection);
    }

    private function distance(Construction $b, int $i): float
    {
        return $this->givens->distance($b->distances[$i] ?? new GivenDistance);
    }

    private function line(Construction $b, int $i): Line
    {
        return $this->givens->line($b->lines[$i] ?? new GivenLine);
    }

    /** A pattern lies to the north where nothing else is said. */
    private function turn(Construction $b): float
    {
        return $b->directions === [] ? 0.0 : $this->direction($b, 0);
    }

    /** @return array{CurveElement, float} */
    private function element(Construction $b): array
    {
        return count($b->elements) === 1
            ? [$b->elements[0]->element, $b->elements[0]->value]
            : throw NoConstruction::contradiction('One element of the arc is needed beside its ends: radius, rise, angle or length.');
    }

    private function curve(Construction $b): SimpleCurve
    {
        if (count($b->elements) !== 2) {
            throw NoConstruction::contradiction(
                'Two elements of the curve are needed: radius, angle, length, chord, tangent, external or middle ordinate.',
            );
        }

        return SimpleCurve::from($b->elements[0]->element, $b->elements[0]->value, $b->elements[1]->element, $b->elements[1]->value);
    }

    private function leg(GivenLeg $l): SketchLeg
    {
        return new SketchLeg(
            azimuth: $l->direction === null ? null : $this->givens->direction($l->direction),
            turn: $l->turn,
            length: $l->distance === null ? null : $this->givens->distance($l->distance),
            until: $l->until === null ? null : $this->givens->line($l->until),
            radius: $l->radius,
            angle: $l->angle,
            right: $l->toTheRight,
            points: $l->points,
            rise: $l->rise,
        );
    }

    private function triangle(Construction $b): Made
    {
        $known = array_column(array_map(static fn (KnownPart $p) => [$p->part->value, $p->value], $b->parts), 1, 0);
        $part = static fn (string $letter): ?float => $known[$letter] ?? null;
        $found = Triangle::solve([$part('a'), $part('b'), $part('c')], [$part('A'), $part('B'), $part('C')]);

        return Made::several(array_map(static fn (Triangle $t) => $t->figures(), $found));
    }
}
