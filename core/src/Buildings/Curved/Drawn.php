<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Curved;

use Parlay\Core\Geometry\Space;

/** What a line leaves behind that is drawn straight through space: u counts the places of the line from 0, v is how far it was drawn, metres. */
final readonly class Drawn implements CurvedSurface
{
    /**
     * @param  non-empty-list<array{float, float, float}>  $places  of the line, metres
     * @param  array{float, float, float}  $along  of length 1
     */
    public function __construct(private array $places, private array $along) {}

    public function at(float $u, float $v): array
    {
        return Space::plus(OnLine::at($this->places, $u), $this->along, $v);
    }

    public function nearest(array $place): array
    {
        $u = OnLine::nearest(array_map($this->across(...), $this->places), $this->across($place));

        return [$u, Space::dot(Space::way(OnLine::at($this->places, $u), $place), $this->along)];
    }

    /**
     * Seen along the way it is drawn.
     *
     * @param  array{float, float, float}  $p
     * @return array{float, float, float}
     */
    private function across(array $p): array
    {
        return Space::plus($p, $this->along, -Space::dot($p, $this->along));
    }

    public function periods(): array
    {
        $last = count($this->places) - 1;

        return [Space::length(Space::way($this->places[0], $this->places[$last])) < 1e-6 ? (float) $last : null, null];
    }

    public function corners(): array
    {
        return [true, false];
    }

    public function poles(): array
    {
        return [null, null];
    }
}
