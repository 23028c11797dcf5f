<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

/** An upright rectangle of the site grid, by which lines are cut (Y.-D. Liang and B. A. Barsky, "A New Concept and Method for Line Clipping", ACM Transactions on Graphics 3, 1984). */
final readonly class Window
{
    /** Metres. */
    public function __construct(public float $west, public float $south, public float $east, public float $north) {}

    /** How far across it is, metres. */
    public function across(): float
    {
        return hypot($this->east - $this->west, $this->north - $this->south);
    }

    /**
     * @param  array{float, float}  $a  easting, northing
     * @param  array{float, float}  $b
     * @return array{array{float, float}, array{float, float}}|null what of the way from a to b lies within; null where nothing does
     */
    public function cut(array $a, array $b): ?array
    {
        [$from, $to] = [0.0, 1.0];
        [$dx, $dy] = [$b[0] - $a[0], $b[1] - $a[1]];
        foreach ([[-$dx, $a[0] - $this->west], [$dx, $this->east - $a[0]], [-$dy, $a[1] - $this->south], [$dy, $this->north - $a[1]]] as [$p, $q]) {
            if ($p === 0.0 || $p === -0.0) {
                if ($q < 0.0) {
                    return null;
                }

                continue;
            }
            $p < 0.0 ? $from = max($from, $q / $p) : $to = min($to, $q / $p);
        }

        return $from > $to ? null : [[$a[0] + $from * $dx, $a[1] + $from * $dy], [$a[0] + $to * $dx, $a[1] + $to * $dy]];
    }
}
