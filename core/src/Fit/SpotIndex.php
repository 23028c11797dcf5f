<?php

declare(strict_types=1);

namespace Parlay\Core\Fit;

/** Finds the spot nearest to a place within a reach, by squares of that size. */
final class SpotIndex
{
    /** @var array<string, list<Spot>> */
    private array $squares = [];

    /**
     * @param  list<Spot>  $spots
     * @param  float  $reach  drawing units
     */
    public function __construct(array $spots, private readonly float $reach)
    {
        foreach ($spots as $s) {
            $this->squares[floor($s->x / $reach).' '.floor($s->y / $reach)][] = $s;
        }
    }

    /** @param  string  $label  preferred where several are within reach */
    public function near(float $x, float $y, string $label = ''): ?Spot
    {
        [$column, $row] = [floor($x / $this->reach), floor($y / $this->reach)];
        $best = null;
        $least = INF;
        for ($i = -1; $i <= 1; $i++) {
            for ($k = -1; $k <= 1; $k++) {
                foreach ($this->squares[($column + $i).' '.($row + $k)] ?? [] as $s) {
                    $d = hypot($s->x - $x, $s->y - $y);
                    $rank = $label !== '' && $s->label === $label ? $d - $this->reach : $d;
                    if ($d <= $this->reach && $rank < $least) {
                        [$best, $least] = [$s, $rank];
                    }
                }
            }
        }

        return $best;
    }
}
