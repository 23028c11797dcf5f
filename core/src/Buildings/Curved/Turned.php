<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Curved;

use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/** What a line leaves behind that is turned about an axis: u turns about the z axis of its frame, v counts the places of the line from 0. */
final readonly class Turned implements CurvedSurface
{
    private Frame $inward;

    /** @var list<array{float, float, float}> in the frame */
    private array $places;

    /** @param  non-empty-list<array{float, float, float}>  $places  of the line, metres */
    public function __construct(private Frame $frame, array $places)
    {
        $this->inward = $frame->inverse() ?? $frame;
        $this->places = array_map(fn (array $p): array => $this->inward->point(...$p), $places);
    }

    public function at(float $u, float $v): array
    {
        [$x, $y, $z] = OnLine::at($this->places, $v);
        [$cos, $sin] = [cos($u), sin($u)];

        return $this->frame->point($x * $cos - $y * $sin, $x * $sin + $y * $cos, $z);
    }

    public function nearest(array $place): array
    {
        [$x, $y, $z] = $this->inward->point(...$place);
        // Side and height are all that is left of a place where it turns with the line.
        $v = OnLine::nearest(array_map(static fn (array $p): array => [hypot($p[0], $p[1]), 0.0, $p[2]], $this->places), [hypot($x, $y), 0.0, $z]);
        [$lx, $ly] = OnLine::at($this->places, $v);

        return [atan2($y, $x) - atan2($ly, $lx), $v];
    }

    public function periods(): array
    {
        $last = count($this->places) - 1;

        return [2 * M_PI, Space::length(Space::way($this->places[0], $this->places[$last])) < 1e-6 ? (float) $last : null];
    }

    public function corners(): array
    {
        return [false, true];
    }

    public function poles(): array
    {
        $last = count($this->places) - 1;
        $on = fn (int $k): ?float => hypot($this->places[$k][0], $this->places[$k][1]) < 1e-6 ? (float) $k : null;

        return [$on(0), $on($last)];
    }
}
