<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/** The spots of a thing that may be touched, those nearest to a place first. */
final readonly class OfferedSpots
{
    /** Shorter edges are none that anybody stakes from, metres. */
    private const SHORTEST = 1e-3;

    public const MOST = 160;

    private SpotPlace $placed;

    public function __construct(private Parts $parts, private Frame $place)
    {
        $this->placed = new SpotPlace($parts, $place);
    }

    /**
     * @param  array{float, float, float}|null  $near  east, north, height
     * @return list<array{ElementSpot, array{float, float, float}}> with their places on the site
     */
    public function near(?array $near): array
    {
        $all = [...$this->corners(), ...$this->axes(), ...$this->edges(), ...$this->centres()];
        if ($near !== null) {
            usort($all, static fn (array $p, array $q): int => Space::length(Space::way($near, $p[0])) <=> Space::length(Space::way($near, $q[0])));
        }
        $offered = [];
        foreach (array_slice($all, 0, self::MOST) as [$at, $spot]) {
            $offered[] = [$spot(), $at];
        }

        return $offered;
    }

    /** @return list<array{array{float, float, float}, \Closure(): ElementSpot}> */
    private function corners(): array
    {
        $found = [];
        foreach ($this->parts->cornerFaces() as $corner => $faces) {
            $found[] = [$this->place->point(...$this->parts->corners[$corner]), fn () => $this->held(ElementSpotKind::Corner, $faces)];
        }

        return $found;
    }

    /** @return list<array{array{float, float, float}, \Closure(): ElementSpot}> */
    private function axes(): array
    {
        $found = [];
        foreach ($this->parts->wholeAxes() as $a) {
            foreach ([$this->parts->axes[$a]->from, $this->parts->axes[$a]->to] as $end => $at) {
                $found[] = [$this->place->point(...$at), fn () => new ElementSpot(
                    ElementSpotKind::AxisEnd, $this->parts->topology, axis: $this->parts->holdAxis($a), rank: $end,
                )];
            }
        }

        return $found;
    }

    /** @return list<array{array{float, float, float}, \Closure(): ElementSpot}> */
    private function edges(): array
    {
        $found = [];
        foreach ($this->parts->edges() as [$a, $b, $f, $g]) {
            [$p, $q] = [$this->place->point(...$this->parts->corners[$a]), $this->place->point(...$this->parts->corners[$b])];
            if (Space::length(Space::way($p, $q)) < self::SHORTEST) {
                continue;
            }
            $middle = [($p[0] + $q[0]) / 2, ($p[1] + $q[1]) / 2, ($p[2] + $q[2]) / 2];
            $found[] = [$middle, fn () => $this->held(
                ElementSpotKind::EdgeMiddle, [$f, $g], (int) array_search([$a, $b], $this->parts->between($f, $g), true),
            )];
        }

        return $found;
    }

    /** @return list<array{array{float, float, float}, \Closure(): ElementSpot}> */
    private function centres(): array
    {
        $found = [];
        foreach (array_keys($this->parts->faces) as $f) {
            $found[] = [$this->placed->centre($f), fn () => $this->held(ElementSpotKind::FaceCentre, [$f])];
        }

        return $found;
    }

    /** @param  list<int>  $faces */
    private function held(ElementSpotKind $kind, array $faces, int $rank = 0): ElementSpot
    {
        return new ElementSpot($kind, $this->parts->topology, array_map(fn (int $f): FaceHold => $this->parts->holdFace($f), $faces), rank: $rank);
    }
}
