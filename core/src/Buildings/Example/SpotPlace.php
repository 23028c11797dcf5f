<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/** Where a spot of a thing lies, and the same spot of another thing. Distances are kept as they are, however the thing is turned, mirrored or stretched. */
final readonly class SpotPlace
{
    /** Planes and lines that meet more slantingly do not meet where anyone could say. */
    private const SHARP = 1e-3;

    /** @param  Frame  $place  from the thing's own axes to the site, metres */
    public function __construct(private Parts $parts, private Frame $place) {}

    /**
     * @return array{float, float, float} east, north, height
     *
     * @throws DoesNotFit
     */
    public function of(ElementSpot $spot): array
    {
        $faces = array_map(fn (FaceHold $h): int => $this->parts->face($h, $spot->topology), $spot->faces);
        $wanted = match ($spot->kind) {
            ElementSpotKind::Corner => 3,
            ElementSpotKind::EdgeMiddle => 2,
            ElementSpotKind::FaceCentre, ElementSpotKind::AxisThroughFace => 1,
            ElementSpotKind::AxisEnd => 0,
        };
        if (count($faces) !== $wanted) {
            throw new DoesNotFit(Misfit::Unsaid);
        }

        return match ($spot->kind) {
            ElementSpotKind::Corner => $this->crossing(array_map($this->plane(...), $faces, $spot->faces)),
            ElementSpotKind::EdgeMiddle => $this->middle($this->parts->edge($faces[0], $faces[1], $spot->rank)),
            ElementSpotKind::FaceCentre => $this->centre($faces[0]),
            ElementSpotKind::AxisEnd => $this->ends($spot)[$spot->rank === 1 ? 1 : 0],
            ElementSpotKind::AxisThroughFace => $this->through($this->ends($spot), $this->plane($faces[0], $spot->faces[0])),
        };
    }

    /**
     * The same spot, held by the parts of this thing.
     *
     * @throws DoesNotFit
     */
    public function brought(ElementSpot $spot): ElementSpot
    {
        $faces = array_map(fn (FaceHold $h): int => $this->parts->face($h, $spot->topology), $spot->faces);
        // Behind a chamfer the planes do meet, but there is nothing.
        if ($spot->kind === ElementSpotKind::Corner && count($faces) === 3 && ! $this->parts->haveCorner(...$faces)) {
            throw new DoesNotFit(Misfit::NoCorner);
        }

        return new ElementSpot(
            $spot->kind, $this->parts->topology,
            array_map(fn (int $f, FaceHold $h): FaceHold => $this->parts->holdFace($f, $h->inward), $faces, $spot->faces),
            $spot->axis === null ? null : $this->parts->holdAxis($this->parts->axis($spot->axis, $spot->topology)), $spot->rank,
        );
    }

    /** @return array{array{float, float, float}, float} normal outward of length 1, and how far along it from the origin */
    private function plane(int $face, FaceHold $hold): array
    {
        $n = $this->normal($face);

        return [$n, Space::dot($n, $this->place->point(...$this->parts->corners[$this->parts->faces[$face]->outline[0]])) - $hold->inward];
    }

    /** @return array{float, float, float} on the site, outward: not what a stretching makes of the normal, but what is square to the stretched face */
    public function normal(int $face): array
    {
        $n = $this->parts->normals[$face];
        $u = Space::unit(Space::cross($n, abs($n[2]) < 0.9 ? [0.0, 0.0, 1.0] : [1.0, 0.0, 0.0])) ?? [1.0, 0.0, 0.0];
        $across = Space::cross($this->place->vector(...$u), $this->place->vector(...Space::cross($n, $u)));
        $unit = Space::unit($across) ?? throw new DoesNotFit(Misfit::NoShape);

        return $this->place->determinant() < 0.0 ? [-$unit[0], -$unit[1], -$unit[2]] : $unit;
    }

    /**
     * @param  list<array{array{float, float, float}, float}>  $planes
     * @return array{float, float, float}
     */
    private function crossing(array $planes): array
    {
        [[$a, $d], [$b, $e], [$c, $f]] = $planes;
        $bc = Space::cross($b, $c);
        $volume = Space::dot($a, $bc);
        if (abs($volume) < self::SHARP) {
            throw new DoesNotFit(Misfit::NoCrossing);
        }
        // About a place nearby: in coordinates of millions of metres hundredths of a millimetre would be lost.
        $near = [$this->place->x, $this->place->y, $this->place->z];
        [$d, $e, $f] = [$d - Space::dot($a, $near), $e - Space::dot($b, $near), $f - Space::dot($c, $near)];
        $sum = Space::plus(Space::plus(Space::plus([0.0, 0.0, 0.0], $bc, $d), Space::cross($c, $a), $e), Space::cross($a, $b), $f);

        return Space::plus($near, $sum, 1 / $volume);
    }

    /**
     * @param  array{int, int}  $edge
     * @return array{float, float, float}
     */
    private function middle(array $edge): array
    {
        [$p, $q] = [$this->parts->corners[$edge[0]], $this->parts->corners[$edge[1]]];

        return $this->place->point(($p[0] + $q[0]) / 2, ($p[1] + $q[1]) / 2, ($p[2] + $q[2]) / 2);
    }

    /** @return array{float, float, float} centre of gravity of what its outline encloses, holes and all */
    public function centre(int $face): array
    {
        return $this->place->point(...$this->parts->gravity($face));
    }

    /** @return array{array{float, float, float}, array{float, float, float}} */
    private function ends(ElementSpot $spot): array
    {
        $axis = $this->parts->axes[$this->parts->axis($spot->axis ?? throw new DoesNotFit(Misfit::Unsaid), $spot->topology)];

        return [$this->place->point(...$axis->from), $this->place->point(...$axis->to)];
    }

    /**
     * @param  array{array{float, float, float}, array{float, float, float}}  $ends
     * @param  array{array{float, float, float}, float}  $plane
     * @return array{float, float, float}
     */
    private function through(array $ends, array $plane): array
    {
        $way = Space::unit(Space::way(...$ends)) ?? throw new DoesNotFit(Misfit::NoShape);
        $slope = Space::dot($way, $plane[0]);
        if (abs($slope) < self::SHARP) {
            throw new DoesNotFit(Misfit::NoCrossing);
        }

        return Space::plus($ends[0], $way, ($plane[1] - Space::dot($plane[0], $ends[0])) / $slope);
    }
}
