<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;

/** Triangles over the ground: a height for each place within them. Held in flat lists, because there may be a million. */
final class Surface
{
    /** @var array<int, int>|null */
    private ?array $twins = null;

    /**
     * @param  array<int, float>  $northings  metres, of its points
     * @param  array<int, float>  $eastings
     * @param  array<int, float>  $elevations
     * @param  array<int, int>  $corners  three numbers of points to a triangle; seen on a map they turn counter-clockwise
     */
    public function __construct(
        public readonly array $northings,
        public readonly array $eastings,
        public readonly array $elevations,
        public readonly array $corners,
    ) {}

    /**
     * Without points that no triangle has: what is there is asked of them all, such as the highest.
     *
     * @param  array<int, float>  $northings
     * @param  array<int, float>  $eastings
     * @param  array<int, float>  $elevations
     * @param  array<int, int>  $corners
     */
    public static function ofUsed(array $northings, array $eastings, array $elevations, array $corners): self
    {
        $used = array_fill(0, max(1, count($northings)), false);
        foreach ($corners as $corner) {
            $used[$corner] = true;
        }
        if ($northings === [] || ! in_array(false, $used, true)) {
            return new self($northings, $eastings, $elevations, $corners);
        }
        $numbers = $n = $e = $z = [];
        foreach ($used as $i => $is) {
            if ($is) {
                $numbers[$i] = count($n);
                [$n[], $e[], $z[]] = [$northings[$i], $eastings[$i], $elevations[$i]];
            }
        }
        foreach ($corners as $edge => $corner) {
            $corners[$edge] = $numbers[$corner];
        }

        return new self($n, $e, $z, $corners);
    }

    /** The same so many metres above it, below where negative. */
    public function raised(float $verticalOffset): self
    {
        return $verticalOffset === 0.0 ? $this : new self(
            $this->northings, $this->eastings, array_map(static fn (float $z) => $z + $verticalOffset, $this->elevations), $this->corners,
        );
    }

    /** How many triangles. */
    public function count(): int
    {
        return intdiv(count($this->corners), 3);
    }

    public function point(int $number): Position
    {
        return new Position($this->northings[$number], $this->eastings[$number], $this->elevations[$number]);
    }

    /** @return array{Position, Position, Position} */
    public function triangle(int $number): array
    {
        return [
            $this->point($this->corners[3 * $number]), $this->point($this->corners[3 * $number + 1]),
            $this->point($this->corners[3 * $number + 2]),
        ];
    }

    /** @return array{float, float, float, float}|null west, south, east, north; null where it has no points */
    public function extent(): ?array
    {
        return $this->northings === [] || $this->eastings === [] ? null
            : [min($this->eastings), min($this->northings), max($this->eastings), max($this->northings)];
    }

    /**
     * Of each edge, which leaves its corner, the edge of the neighbour; -1 on the rim, or where more than two meet.
     *
     * @return array<int, int>
     */
    public function twins(): array
    {
        if ($this->twins !== null) {
            return $this->twins;
        }
        $count = count($this->northings);
        $twin = $this->corners === [] ? [] : array_fill(0, count($this->corners), -1);
        $open = [];
        foreach ($this->corners as $edge => $from) {
            $to = $this->corners[$edge % 3 === 2 ? $edge - 2 : $edge + 1];
            $back = $to * $count + $from;
            if (isset($open[$back])) {
                $other = $open[$back];
                $twin[$edge] = $other;
                $twin[$other] = $edge;
                unset($open[$back]);
            } else {
                $open[$from * $count + $to] = $edge;
            }
        }

        return $this->twins = $twin;
    }

    /** Metres², in plan. */
    public function planArea(): float
    {
        $twice = 0.0;
        $this->eachTriangle(static function (float $dn, float $de, float $en, float $ee) use (&$twice): void {
            $twice += abs($dn * $ee - $de * $en);
        });

        return $twice / 2;
    }

    /** Metres², along the slopes. */
    public function slopeArea(): float
    {
        $twice = 0.0;
        $this->eachTriangle(static function (float $dn, float $de, float $en, float $ee, float $dz, float $ez) use (&$twice): void {
            $twice += sqrt(($dn * $ee - $de * $en) ** 2 + ($de * $ez - $dz * $ee) ** 2 + ($dz * $en - $dn * $ez) ** 2);
        });

        return $twice / 2;
    }

    /** @param  callable(float, float, float, float, float, float): void  $with  both edges from the first corner: north, east; heights last */
    private function eachTriangle(callable $with): void
    {
        $n = $this->northings;
        $e = $this->eastings;
        $z = $this->elevations;
        for ($i = 0, $end = count($this->corners); $i < $end; $i += 3) {
            [$a, $b, $c] = [$this->corners[$i], $this->corners[$i + 1], $this->corners[$i + 2]];
            $with($n[$b] - $n[$a], $e[$b] - $e[$a], $n[$c] - $n[$a], $e[$c] - $e[$a], $z[$b] - $z[$a], $z[$c] - $z[$a]);
        }
    }
}
