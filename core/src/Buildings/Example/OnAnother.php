<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/**
 * The spots shown on one thing, on another.
 *
 * Where both are of one shape, the shape itself says which corner is which, however the other was turned or mirrored when its corners were written;
 * where they are not, the faces that look the same way do, if their neighbours do so as well.
 */
final readonly class OnAnother
{
    public function __construct(private Parts $model, private Parts $thing) {}

    /**
     * @param  list<ElementSpot>  $spots  held by the parts of the one
     * @return list<ElementSpot> held by those of the other
     *
     * @throws DoesNotFit
     */
    public function spots(array $spots): array
    {
        if ($this->model === $this->thing) {
            return array_map((new SpotPlace($this->model, Frame::none()))->brought(...), $spots);
        }
        $ways = self::likeliest(SameShape::ways($this->model, $this->thing));
        if ($ways === []) {
            return array_map($this->alike(...), $spots);
        }
        $found = [];
        foreach ($ways as $way) {
            $brought = array_map(fn (ElementSpot $s): ElementSpot => $this->laid($s, $way), $spots);
            $held = array_map(self::held(...), $brought);
            sort($held);
            $found[implode("\n", $held)] ??= $brought;
        }
        if (count($found) > 1) {
            throw new DoesNotFit(Misfit::SeveralWays, count($found));
        }

        return array_values($found)[0];
    }

    /**
     * As it lies, if it can; else with its top up; else turned before mirrored.
     *
     * @param  list<Frame>  $ways
     * @return list<Frame>
     */
    private static function likeliest(array $ways): array
    {
        $ranked = [];
        foreach ($ways as $way) {
            $lies = $way->a > Parts::SAME_WAY && $way->e > Parts::SAME_WAY && $way->i > Parts::SAME_WAY;
            $ranked[$lies ? 0 : ($way->i > Parts::SAME_WAY ? 1 : 3) + ($way->determinant() < 0.0 ? 1 : 0)][] = $way;
        }
        ksort($ranked);

        return array_values($ranked)[0] ?? [];
    }

    /** @throws DoesNotFit */
    private function laid(ElementSpot $spot, Frame $way): ElementSpot
    {
        $from = array_map(fn (FaceHold $h): int => $this->model->face($h, $spot->topology), $spot->faces);
        $faces = array_map(fn (int $f): int => $this->faceOn($f, $way), $from);
        [$axis, $turned] = $spot->axis === null ? [null, false] : $this->axisOn($this->model->axis($spot->axis, $spot->topology), $way);
        $rank = match ($spot->kind) {
            ElementSpotKind::EdgeMiddle => $this->edgeOn($this->model->edge($from[0] ?? -1, $from[1] ?? -1, $spot->rank), $faces, $way),
            ElementSpotKind::AxisEnd => $turned ? 1 - $spot->rank : $spot->rank,
            default => $spot->rank,
        };

        return new ElementSpot($spot->kind, $this->thing->topology, array_map(
            fn (int $f, FaceHold $h): FaceHold => $this->thing->holdFace($f, $h->inward), $faces, $spot->faces,
        ), $axis === null ? null : $this->thing->holdAxis($axis), $rank);
    }

    /** @throws DoesNotFit */
    private function faceOn(int $face, Frame $way): int
    {
        $normal = $way->vector(...$this->model->normals[$face]);
        $centre = $way->point(...$this->model->gravity($face));
        foreach ($this->thing->normals as $f => $n) {
            if (Space::dot($n, $normal) > Parts::SAME_WAY && SameShape::near($this->thing->gravity($f), $centre)) {
                return $f;
            }
        }
        throw new DoesNotFit(Misfit::OtherFaces, 0, 1);
    }

    /**
     * @return array{int, bool} whether its ends are the other way round
     *
     * @throws DoesNotFit
     */
    private function axisOn(int $axis, Frame $way): array
    {
        $own = $this->model->axes[$axis];
        $ends = [$way->point(...$own->from), $way->point(...$own->to)];
        foreach ($this->thing->axes as $a => $there) {
            $turned = $own->hollow === $there->hollow && abs($own->radius - $there->radius) <= SameShape::FIT
                ? SameShape::ends($ends, [$there->from, $there->to]) : null;
            if ($turned !== null) {
                return [$a, $turned];
            }
        }
        throw new DoesNotFit($own->hollow ? Misfit::OtherHoles : Misfit::OtherRounds, 0, 1);
    }

    /**
     * @param  array{int, int}  $edge  its ends on the one
     * @param  list<int>  $faces  the two it lies between on the other
     *
     * @throws DoesNotFit
     */
    private function edgeOn(array $edge, array $faces, Frame $way): int
    {
        $ends = array_map(fn (int $i): array => $way->point(...$this->model->corners[$i]), $edge);
        $between = $this->thing->between($faces[0], $faces[1]);
        foreach ($between as $rank => [$a, $b]) {
            if (SameShape::ends($ends, [$this->thing->corners[$a], $this->thing->corners[$b]]) !== null) {
                return $rank;
            }
        }
        throw new DoesNotFit(Misfit::OtherEdges, count($between), 1);
    }

    /** @throws DoesNotFit */
    private function alike(ElementSpot $spot): ElementSpot
    {
        $brought = (new SpotPlace($this->thing, Frame::none()))->brought($spot);
        foreach ($spot->faces as $k => $hold) {
            if (! $this->amongTheSame($this->model->face($hold, $spot->topology), $brought->faces[$k]->index)) {
                throw new DoesNotFit(Misfit::OtherNeighbours);
            }
        }

        return $brought;
    }

    /** Whether a chamfer, a notch or a step is beside the one and not beside the other. */
    private function amongTheSame(int $face, int $other): bool
    {
        [$own, $there] = [$this->model->neighbours($face), $this->thing->neighbours($other)];
        foreach ($own as $f) {
            $n = $this->model->normals[$f];
            $beside = array_filter($there, fn (int $g): bool => Space::dot($this->thing->normals[$g], $n) > Parts::ROUGHLY);
            if ($beside === []) {
                return false;
            }
        }

        return count($own) === count($there);
    }

    private static function held(ElementSpot $spot): string
    {
        $faces = array_map(static fn (FaceHold $h): string => "$h->index/$h->inward", $spot->faces);
        sort($faces);

        return implode(' ', [$spot->kind->value, ...$faces, $spot->axis?->index, $spot->rank]);
    }
}
