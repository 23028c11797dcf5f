<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/** Heights of very many places in one surface, in any order. */
final class Heights
{
    /** Numbers kept of each triangle: first corner, four shares, its height and both differences. */
    private const KEPT = 9;

    private const ON_EDGE = -1e-9;

    /** Small squares to a triangle, about: most places lie in the triangle that their square's middle lies in. */
    private const SQUARES = 4.0;

    private const MOST_SQUARES = 4_000_000;

    /** @var array<int, float> of each triangle what is needed to be within it */
    private array $kept = [];

    /** @var array<int, int> of each square where in the triangle over its middle stands; -1 where none does */
    private array $over = [];

    private float $square;

    private int $across;

    public function __construct(private readonly SurfaceIndex $index)
    {
        $this->keep($index->surface);
        $this->lay();
    }

    private function keep(Surface $s): void
    {
        $n = $s->northings;
        $e = $s->eastings;
        $z = $s->elevations;
        $kept = [];
        for ($i = 0, $end = count($s->corners); $i < $end; $i += 3) {
            $a = $s->corners[$i];
            $b = $s->corners[$i + 1];
            $c = $s->corners[$i + 2];
            $bn = $n[$b] - $n[$a];
            $be = $e[$b] - $e[$a];
            $cn = $n[$c] - $n[$a];
            $ce = $e[$c] - $e[$a];
            $area = $bn * $ce - $cn * $be;
            // Without area nothing lies within: no share of anything is small enough.
            $by = $area === 0.0 ? NAN : 1.0 / $area;
            $kept[] = $n[$a];
            $kept[] = $e[$a];
            $kept[] = $ce * $by;
            $kept[] = -$cn * $by;
            $kept[] = -$be * $by;
            $kept[] = $bn * $by;
            $kept[] = $z[$a];
            $kept[] = $z[$b] - $z[$a];
            $kept[] = $z[$c] - $z[$a];
        }
        $this->kept = $kept;
    }

    /** Lays small squares over the surface and says which triangle is over the middle of each. */
    private function lay(): void
    {
        $s = $this->index->surface;
        [, , $south, $west] = $this->index->grid();
        $height = $this->index->rows * $this->index->cell;
        $width = $this->index->columns * $this->index->cell;
        $square = $this->square = sqrt($height * $width / max(1.0, min(self::MOST_SQUARES, $s->count() * self::SQUARES)));
        $across = $this->across = (int) ($width / $square) + 1;
        $over = array_fill(0, $across * ((int) ($height / $square) + 1), -1);
        $n = $s->northings;
        $e = $s->eastings;
        $kept = $this->kept;
        for ($i = 0, $k = 0, $end = count($s->corners); $i < $end; $i += 3, $k += self::KEPT) {
            $a = $s->corners[$i];
            $b = $s->corners[$i + 1];
            $c = $s->corners[$i + 2];
            $last = (int) ((max($n[$a], $n[$b], $n[$c]) - $south) / $square - 0.5);
            $first = (int) ceil((min($e[$a], $e[$b], $e[$c]) - $west) / $square - 0.5);
            $till = (int) ((max($e[$a], $e[$b], $e[$c]) - $west) / $square - 0.5);
            for ($row = (int) ceil((min($n[$a], $n[$b], $n[$c]) - $south) / $square - 0.5); $row <= $last; $row++) {
                $dn = $south + ($row + 0.5) * $square - $kept[$k];
                for ($column = $first; $column <= $till; $column++) {
                    $de = $west + ($column + 0.5) * $square - $kept[$k + 1];
                    $u = $dn * $kept[$k + 2] + $de * $kept[$k + 3];
                    $v = $dn * $kept[$k + 4] + $de * $kept[$k + 5];
                    if ($u >= 0.0 && $v >= 0.0 && $u + $v <= 1.0) {
                        $over[$row * $across + $column] = $k;
                    }
                }
            }
        }
        $this->over = $over;
    }

    /**
     * @param  array<int, float>  $northings
     * @param  array<int, float>  $eastings
     * @return array<int, float> metres; NaN outside
     */
    public function of(array $northings, array $eastings): array
    {
        $kept = $this->kept;
        $over = $this->over;
        [$starts, $listed, $south, $west] = $this->index->grid();
        $square = $this->square;
        $across = $this->across;
        $cell = $this->index->cell;
        $columns = $this->index->columns;
        $rows = $this->index->rows;
        $heights = [];
        foreach ($northings as $i => $n) {
            $e = $eastings[$i];
            $fn = $n - $south;
            $fe = $e - $west;
            if (! ($fn >= 0.0 && $fe >= 0.0 && $fn < $rows * $cell && $fe < $columns * $cell)) {
                $heights[] = NAN;

                continue;
            }
            $k = $over[(int) ($fn / $square) * $across + (int) ($fe / $square)];
            if ($k >= 0) {
                $dn = $n - $kept[$k];
                $de = $e - $kept[$k + 1];
                $u = $dn * $kept[$k + 2] + $de * $kept[$k + 3];
                $v = $dn * $kept[$k + 4] + $de * $kept[$k + 5];
                if ($u >= self::ON_EDGE && $v >= self::ON_EDGE && $u + $v <= 1.0 - self::ON_EDGE) {
                    $heights[] = $kept[$k + 6] + $u * $kept[$k + 7] + $v * $kept[$k + 8];

                    continue;
                }
            }
            $height = NAN;
            $at = (int) ($fn / $cell) * $columns + (int) ($fe / $cell);
            $end = $starts[$at + 1];
            for ($j = $starts[$at]; $j < $end; $j++) {
                $k = $listed[$j] * self::KEPT;
                $dn = $n - $kept[$k];
                $de = $e - $kept[$k + 1];
                $u = $dn * $kept[$k + 2] + $de * $kept[$k + 3];
                $v = $dn * $kept[$k + 4] + $de * $kept[$k + 5];
                if ($u >= self::ON_EDGE && $v >= self::ON_EDGE && $u + $v <= 1.0 - self::ON_EDGE) {
                    $height = $kept[$k + 6] + $u * $kept[$k + 7] + $v * $kept[$k + 8];
                    break;
                }
            }
            $heights[] = $height;
        }

        return $heights;
    }
}
