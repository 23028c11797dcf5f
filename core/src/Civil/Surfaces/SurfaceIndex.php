<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/** Which triangles of a surface lie over a place: a grid of cells, each with the triangles that touch its box. */
final class SurfaceIndex
{
    /** Triangles to a cell, about. */
    private const TO_A_CELL = 1.0;

    private const MOST_CELLS = 4_000_000;

    public readonly float $cell;

    public readonly int $rows;

    public readonly int $columns;

    private readonly float $north;

    private readonly float $east;

    /** @var array<int, int> of each cell, where its triangles begin in the list */
    private readonly array $starts;

    /** @var array<int, int> triangles, cell by cell */
    private readonly array $listed;

    public function __construct(public readonly Surface $surface)
    {
        [$west, $south, $east, $north] = $surface->extent() ?? [0.0, 0.0, 0.0, 0.0];
        $height = max(1e-3, $north - $south);
        $width = max(1e-3, $east - $west);
        $cells = max(1.0, min(self::MOST_CELLS, $surface->count() / self::TO_A_CELL));
        $this->cell = max(sqrt($height * $width / $cells), max($height, $width) / 20_000);
        [$this->north, $this->east] = [$south, $west];
        $this->rows = (int) ($height / $this->cell) + 1;
        $this->columns = (int) ($width / $this->cell) + 1;
        [$this->starts, $this->listed] = $this->sorted();
    }

    /** @return array{array<int, int>, array<int, int>} */
    private function sorted(): array
    {
        $n = $this->surface->northings;
        $e = $this->surface->eastings;
        $corners = $this->surface->corners;
        [$south, $west, $cell, $columns] = [$this->north, $this->east, $this->cell, $this->columns];
        $counts = array_fill(0, $this->rows * $columns + 1, 0);
        $cells = $triangles = [];
        for ($i = 0, $t = 0, $end = count($corners); $i < $end; $i += 3, $t++) {
            $a = $corners[$i];
            $b = $corners[$i + 1];
            $c = $corners[$i + 2];
            $an = $n[$a];
            $bn = $n[$b];
            $cn = $n[$c];
            $ae = $e[$a];
            $be = $e[$b];
            $ce = $e[$c];
            $low = $an < $bn ? ($an < $cn ? $an : $cn) : ($bn < $cn ? $bn : $cn);
            $high = $an > $bn ? ($an > $cn ? $an : $cn) : ($bn > $cn ? $bn : $cn);
            $left = $ae < $be ? ($ae < $ce ? $ae : $ce) : ($be < $ce ? $be : $ce);
            $right = $ae > $be ? ($ae > $ce ? $ae : $ce) : ($be > $ce ? $be : $ce);
            $last = (int) (($high - $south) / $cell);
            $till = (int) (($right - $west) / $cell);
            $first = (int) (($left - $west) / $cell);
            for ($row = (int) (($low - $south) / $cell); $row <= $last; $row++) {
                for ($column = $first; $column <= $till; $column++) {
                    $at = $row * $columns + $column;
                    $counts[$at]++;
                    $cells[] = $at;
                    $triangles[] = $t;
                }
            }
        }
        $starts = [];
        $sum = 0;
        foreach ($counts as $count) {
            $starts[] = $sum;
            $sum += $count;
        }
        $fill = $starts;
        $listed = $sum === 0 ? [] : array_fill(0, $sum, 0);
        foreach ($cells as $i => $at) {
            $listed[$fill[$at]++] = $triangles[$i];
        }

        return [$starts, $listed];
    }

    /** The triangle over a place; null outside. On a shared edge either of both. */
    public function triangleAt(float $northing, float $easting): ?int
    {
        $row = (int) floor(($northing - $this->north) / $this->cell);
        $column = (int) floor(($easting - $this->east) / $this->cell);
        if ($row < 0 || $column < 0 || $row >= $this->rows || $column >= $this->columns) {
            return null;
        }
        $at = $row * $this->columns + $column;
        for ($i = $this->starts[$at]; $i < $this->starts[$at + 1]; $i++) {
            if (OnSurface::within($this->surface->triangle($this->listed[$i]), $northing, $easting) !== null) {
                return $this->listed[$i];
            }
        }

        return null;
    }

    /** What the surface is like at a place; null outside. */
    public function at(float $northing, float $easting): ?OnSurface
    {
        $triangle = $this->triangleAt($northing, $easting);

        return $triangle === null ? null : OnSurface::of($this->surface->triangle($triangle), $northing, $easting);
    }

    /**
     * The triangles whose boxes touch a box, each once.
     *
     * @return array<int, int>
     */
    public function within(float $south, float $west, float $north, float $east): array
    {
        $found = [];
        $rows = [max(0, (int) floor(($south - $this->north) / $this->cell)), min($this->rows - 1, (int) floor(($north - $this->north) / $this->cell))];
        $columns = [max(0, (int) floor(($west - $this->east) / $this->cell)), min($this->columns - 1, (int) floor(($east - $this->east) / $this->cell))];
        for ($row = $rows[0]; $row <= $rows[1]; $row++) {
            for ($column = $columns[0]; $column <= $columns[1]; $column++) {
                $at = $row * $this->columns + $column;
                for ($i = $this->starts[$at]; $i < $this->starts[$at + 1]; $i++) {
                    $found[$this->listed[$i]] = true;
                }
            }
        }

        return array_keys($found);
    }

    /** @return array{array<int, int>, array<int, int>, float, float} starts of the cells, triangles in them, and where the grid begins: north, east */
    public function grid(): array
    {
        return [$this->starts, $this->listed, $this->north, $this->east];
    }
}
