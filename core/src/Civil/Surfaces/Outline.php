<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;

/** A closed line round ground: what lies in it counts, or does not. */
final readonly class Outline
{
    /** @var list<Position> without the first again at the end */
    public array $corners;

    /**
     * @param  list<Position>  $corners
     *
     * @throws NoSurface where it has fewer than three corners, or crosses itself
     */
    public function __construct(array $corners)
    {
        $own = [];
        foreach ($corners as $corner) {
            if ($own === [] || $own[count($own) - 1]->distanceTo($corner) > 0.0) {
                $own[] = $corner;
            }
        }
        if (count($own) > 1 && $own[0]->distanceTo($own[count($own) - 1]) === 0.0) {
            array_pop($own);
        }
        $this->corners = $own;
        if (count($own) < 3) {
            throw NoSurface::outlineTooShort();
        }
        $this->refuseCrossing();
    }

    /** @return list<Position> with the first again at the end */
    public function closed(): array
    {
        return [...$this->corners, $this->corners[0]];
    }

    /** Whether every corner has one. */
    public function hasHeights(): bool
    {
        return array_filter($this->corners, static fn (Position $p) => $p->elevation === null) === [];
    }

    /** A place on the line itself may be in or out. */
    public function holds(float $northing, float $easting): bool
    {
        $inside = false;
        $q = $this->corners[count($this->corners) - 1];
        foreach ($this->corners as $p) {
            if ($p->northing > $northing !== $q->northing > $northing
                && $easting < ($q->easting - $p->easting) * ($northing - $p->northing) / ($q->northing - $p->northing) + $p->easting) {
                $inside = ! $inside;
            }
            $q = $p;
        }

        return $inside;
    }

    /** Metres², in plan. */
    public function area(): float
    {
        $twice = 0.0;
        [$origin, $q] = [$this->corners[0], $this->corners[count($this->corners) - 1]];
        foreach ($this->corners as $p) {
            $twice += ($q->northing - $origin->northing) * ($p->easting - $origin->easting) - ($p->northing - $origin->northing) * ($q->easting - $origin->easting);
            $q = $p;
        }

        return abs($twice) / 2;
    }

    private function refuseCrossing(): void
    {
        $pieces = [];
        foreach ($this->corners as $i => $from) {
            $pieces[] = [$from, $this->corners[($i + 1) % count($this->corners)]];
        }
        $last = count($pieces) - 1;
        foreach (SegmentCrossings::of($pieces) as [$i, $j, $at]) {
            if (abs($i - $j) > 1 && ! ($i === 0 && $j === $last)) {
                throw NoSurface::outlineCrossesItself($at);
            }
        }
    }
}
