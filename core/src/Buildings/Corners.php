<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** Corners of a solid while it is being made: places nearer to one another than two thousandths of a millimetre are one. */
final class Corners
{
    /** metres */
    public const SAME = 2e-6;

    /** @var list<array{float, float, float}> */
    public array $all = [];

    /** @var array<string, int> */
    private array $cells = [];

    /**
     * Its number; a new one where none is so near.
     *
     * @param  array{float, float, float}  $c
     */
    public function number(array $c): int
    {
        // Twice as wide as what counts as one place, so that a neighbour lies in this cell or in the next on its nearer side.
        $size = 4 * self::SAME;
        // Added to 0, a 0 from below is one like any other: as a key it would be another.
        $at = array_map(static fn (float $v): float => floor($v / $size) + 0.0, $c);
        $side = array_map(static fn (float $v, float $cell): float => $v / $size - $cell < 0.5 ? $cell - 1.0 : $cell + 1.0, $c, $at);
        for ($k = 0; $k < 8; $k++) {
            $i = $this->cells[($k & 1 ? $side[0] : $at[0]).' '.($k & 2 ? $side[1] : $at[1]).' '.($k & 4 ? $side[2] : $at[2])] ?? null;
            if ($i !== null) {
                $known = $this->all[$i];
                if (abs($known[0] - $c[0]) < self::SAME && abs($known[1] - $c[1]) < self::SAME && abs($known[2] - $c[2]) < self::SAME) {
                    return $i;
                }
            }
        }
        $this->all[] = $c;

        return $this->cells[$at[0].' '.$at[1].' '.$at[2]] = count($this->all) - 1;
    }

    /**
     * A closed line by numbers, none twice in a row; empty where fewer than three are left.
     *
     * @param  list<array{float, float, float}>  $places
     * @return list<int>
     */
    public function loop(array $places): array
    {
        $loop = [];
        foreach ($places as $c) {
            $i = $this->number($c);
            if ($loop === [] || $loop[count($loop) - 1] !== $i) {
                $loop[] = $i;
            }
        }
        while (count($loop) > 1 && $loop[0] === $loop[count($loop) - 1]) {
            array_pop($loop);
        }

        return count($loop) >= 3 ? $loop : [];
    }
}
