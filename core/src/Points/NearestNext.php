<?php

declare(strict_types=1);

namespace Parlay\Core\Points;

use Parlay\Core\Geometry\Position;

/** From one place on, each time the nearest that is left; looked for in a raster, ring by ring. */
final class NearestNext
{
    /** @var array<string, array<int, true>> */
    private array $cells = [];

    private readonly float $size;

    /** @param  non-empty-list<Position>  $places */
    private function __construct(private readonly array $places)
    {
        $n = array_map(static fn (Position $p) => $p->northing, $places);
        $e = array_map(static fn (Position $p) => $p->easting, $places);
        $this->size = max(
            1e-3, sqrt(max(1e-6, (max($n) - min($n)) * (max($e) - min($e))) / count($places)),
            max(max($n) - min($n), max($e) - min($e)) / 2000,
        );
        foreach ($places as $i => $p) {
            $this->cells[$this->cell($p)][$i] = true;
        }
    }

    /**
     * @param  list<Position>  $places
     * @return list<int>
     */
    public static function of(array $places, int $first): array
    {
        if ($places === []) {
            return [];
        }
        $self = new self($places);
        $order = [$at = $first];
        unset($self->cells[$self->cell($places[$at])][$at]);
        for ($left = count($places) - 1; $left > 0; $left--) {
            $order[] = $at = $self->nearest($places[$at]);
            unset($self->cells[$self->cell($places[$at])][$at]);
        }

        return $order;
    }

    private function nearest(Position $from): int
    {
        [$row, $column] = [(int) floor($from->northing / $this->size), (int) floor($from->easting / $this->size)];
        $best = -1;
        $least = INF;
        // A ring further out can hold a nearer place than one already found only while its inner edge is nearer.
        for ($ring = 0; ($ring - 1) * $this->size < $least; $ring++) {
            foreach (self::ring($row, $column, $ring) as $cell) {
                foreach ($this->cells[$cell] ?? [] as $i => $_) {
                    $d = $from->distanceTo($this->places[$i]);
                    if ($d < $least) {
                        [$best, $least] = [$i, $d];
                    }
                }
            }
        }

        return $best;
    }

    /** @return list<string> */
    private static function ring(int $row, int $column, int $r): array
    {
        if ($r === 0) {
            return ["$row $column"];
        }
        $cells = [];
        for ($k = -$r; $k <= $r; $k++) {
            $cells[] = ($row - $r).' '.($column + $k);
            $cells[] = ($row + $r).' '.($column + $k);
        }
        for ($k = -$r + 1; $k < $r; $k++) {
            $cells[] = ($row + $k).' '.($column - $r);
            $cells[] = ($row + $k).' '.($column + $r);
        }

        return $cells;
    }

    private function cell(Position $p): string
    {
        return (int) floor($p->northing / $this->size).' '.(int) floor($p->easting / $this->size);
    }
}
