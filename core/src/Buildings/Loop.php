<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** A closed line in a plane, as profiles are made of: corners, and which of its sides are pieces of an arc. */
final readonly class Loop
{
    /** Pieces to a whole circle. */
    public const PIECES = 36;

    /**
     * @param  list<array{float, float}>  $corners  metres; the first is not said again
     * @param  array<int, array{float, float, float}>  $arcs  by the corner a side begins at: centre and radius of the arc it is a piece of
     */
    public function __construct(public array $corners, public array $arcs = []) {}

    /** @param  list<array{float, float}>  $corners */
    public static function of(array $corners): self
    {
        $kept = [];
        foreach ($corners as $c) {
            $last = end($kept);
            if ($last === false || $last[0] !== $c[0] || $last[1] !== $c[1]) {
                $kept[] = $c;
            }
        }
        while (count($kept) > 1 && $kept[0][0] === $kept[count($kept) - 1][0] && $kept[0][1] === $kept[count($kept) - 1][1]) {
            array_pop($kept);
        }

        return new self($kept);
    }

    public static function circle(float $x, float $y, float $radius): self
    {
        $corners = $arcs = [];
        for ($k = 0; $k < self::PIECES; $k++) {
            $corners[] = [$x + $radius * cos(2 * M_PI * $k / self::PIECES), $y + $radius * sin(2 * M_PI * $k / self::PIECES)];
            $arcs[$k] = [$x, $y, $radius];
        }

        return new self($corners, $arcs);
    }

    /** Above 0 where it turns to the left, metres². */
    public function area(): float
    {
        $twice = 0.0;
        $before = $this->corners[count($this->corners) - 1] ?? [0.0, 0.0];
        foreach ($this->corners as $c) {
            $twice += $before[0] * $c[1] - $c[0] * $before[1];
            $before = $c;
        }

        return $twice / 2;
    }

    /** The same line, turning to the left or to the right. */
    public function turning(bool $left): self
    {
        $turnsLeft = $this->area() >= 0.0;
        if ($turnsLeft === $left) {
            return $this;
        }
        $count = count($this->corners);
        $arcs = [];
        foreach ($this->arcs as $side => $arc) {
            $arcs[($count - 2 - $side + $count) % $count] = $arc;
        }

        return new self(array_reverse($this->corners), $arcs);
    }

    /**
     * In a plane that is turned, mirrored, scaled or shifted. An arc that is scaled unevenly is none any more.
     *
     * @param  array{float, float, float, float, float, float}  $m  x' = a x + b y + c, y' = d x + e y + f
     */
    public function mapped(array $m): self
    {
        [$a, $b, $c, $d, $e, $f] = $m;
        $corners = [];
        foreach ($this->corners as [$x, $y]) {
            $corners[] = [$a * $x + $b * $y + $c, $d * $x + $e * $y + $f];
        }
        $scale = hypot($a, $d);
        $even = abs($scale - hypot($b, $e)) < 1e-9 * $scale && abs($a * $b + $d * $e) < 1e-9 * $scale * $scale;

        return new self($corners, $even ? array_map(static fn (array $arc): array => [
            $a * $arc[0] + $b * $arc[1] + $c, $d * $arc[0] + $e * $arc[1] + $f, $arc[2] * $scale,
        ], $this->arcs) : []);
    }
}
