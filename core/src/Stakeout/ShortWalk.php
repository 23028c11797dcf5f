<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\NearestNext;

/**
 * A short walk over all places from where one stands, ending anywhere: nearest next, then shortened by turning stretches round (2-opt)
 * and by moving up to three places elsewhere (Or-opt) until nothing helps, tried anew from shaken orders while they are few. Not the
 * shortest there is: on cases small enough to be solved exactly it comes within 5 % (see the tests). Source: Croes 1958 for 2-opt, Or
 * 1976 for Or-opt (recalled).
 */
final class ShortWalk
{
    /** Only places this many nearest ones apart are joined. */
    private const NEIGHBOURS = 10;

    /** Work allowed for shaking, in places. */
    private const SHAKEN = 1000;

    /** @var list<float> */
    private array $x;

    /** @var list<float> */
    private array $y;

    /** @var list<list<int>> */
    private array $near = [];

    /** @param  list<Position>  $places  the start first */
    private function __construct(array $places)
    {
        $this->x = array_map(static fn (Position $p) => $p->easting - $places[0]->easting, $places);
        $this->y = array_map(static fn (Position $p) => $p->northing - $places[0]->northing, $places);
    }

    /**
     * @param  list<Position>  $places
     * @return array{list<int>, float} numbers of the places in order, and the length of the walk from the start, metres
     */
    public static function from(Position $start, array $places): array
    {
        if ($places === []) {
            return [[], 0.0];
        }
        $all = [$start, ...$places];
        $self = new self($all);
        $self->findNeighbours();
        $best = $self->shortened(NearestNext::of($all, 0));
        $least = $self->length($best);
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(1));
        for ($work = 0, $n = count($all); $n > 4 && $work + $n < self::SHAKEN; $work += $n) {
            $tried = $self->shortened(self::shaken($best, $random));
            $length = $self->length($tried);
            if ($length < $least - 1e-9) {
                [$best, $least] = [$tried, $length];
            }
        }

        return [array_map(static fn (int $i) => $i - 1, array_slice($best, 1)), $least];
    }

    private function findNeighbours(): void
    {
        $n = count($this->x);
        for ($i = 0; $i < $n; $i++) {
            $distances = [];
            for ($k = 0; $k < $n; $k++) {
                $distances[] = ($this->x[$i] - $this->x[$k]) ** 2 + ($this->y[$i] - $this->y[$k]) ** 2;
            }
            $distances[$i] = INF;
            asort($distances);
            $this->near[] = array_slice(array_keys($distances), 0, min(self::NEIGHBOURS, $n - 1));
        }
    }

    /**
     * @param  array<int, int>  $order
     * @return list<int>
     */
    private function shortened(array $order): array
    {
        do {
            $turned = $this->turnStretches($order);
            $moved = $this->moveFew($order);
        } while ($turned || $moved);

        return array_values($order);
    }

    /**
     * @param  array<int, int>  $order
     */
    private function turnStretches(array &$order): bool
    {
        $n = count($order);
        $at = array_flip($order);
        $any = false;
        for ($i = 0; $i < $n; $i++) {
            foreach ($this->near[$order[$i]] as $c) {
                if ($this->turnTo($order, $at, $i, $at[$c])) {
                    $any = true;
                }
            }
        }
        // The walk may end anywhere: its last stretch turned round costs nothing at the far end.
        for ($i = 0; $i < $n - 2; $i++) {
            if ($this->d($order[$i], $order[$i + 1]) - $this->d($order[$i], $order[$n - 1]) > 1e-9) {
                $order = [...array_slice($order, 0, $i + 1), ...array_reverse(array_slice($order, $i + 1))];

                return true;
            }
        }

        return $any;
    }

    /**
     * Joins the places numbered i and k by turning the stretch between them round, after both or before both, where that is shorter.
     *
     * @param  array<int, int>  $order
     * @param  array<int, int>  $at
     */
    private function turnTo(array &$order, array &$at, int $i, int $k): bool
    {
        if ($i === $k) {
            return false;
        }
        [$i, $k] = [min($i, $k), max($i, $k)];
        [$a, $c] = [$order[$i], $order[$k]];
        $joined = $this->d($a, $c);
        $next = $order[$k + 1] ?? null;
        // a b … c n becomes a c … b n
        $b = $order[$i + 1];
        if ($k > $i + 1 && $this->d($a, $b) - $joined + ($next === null ? 0.0 : $this->d($c, $next) - $this->d($b, $next)) > 1e-9) {
            self::turn($order, $at, $i + 1, $k);

            return true;
        }
        // p a … q c becomes p q … a c; the start stays the first
        $q = $order[$k - 1];
        $p = $order[$i - 1] ?? null;
        if ($k > $i + 1 && $p !== null && $this->d($p, $a) + $this->d($q, $c) - $joined - $this->d($p, $q) > 1e-9) {
            self::turn($order, $at, $i, $k - 1);

            return true;
        }

        return false;
    }

    /**
     * @param  array<int, int>  $order
     * @param  array<int, int>  $at
     */
    private static function turn(array &$order, array &$at, int $left, int $right): void
    {
        for (; $left < $right; $left++, $right--) {
            [$order[$left], $order[$right]] = [$order[$right], $order[$left]];
            $at[$order[$left]] = $left;
            $at[$order[$right]] = $right;
        }
    }

    /** @param  array<int, int>  $order */
    private function moveFew(array &$order): bool
    {
        $any = false;
        $at = array_flip($order);
        for ($few = 1; $few <= 3; $few++) {
            for ($i = 1; $i + $few <= count($order); $i++) {
                if ($this->moveOne($order, $at, $i, $few)) {
                    $any = true;
                    $at = array_flip($order);
                }
            }
        }

        return $any;
    }

    /**
     * Moves the few places from number i on beside a near neighbour of their first or last, either way round.
     *
     * @param  array<int, int>  $order
     * @param  array<int, int>  $at  where each place stands in the order
     */
    private function moveOne(array &$order, array $at, int $i, int $few): bool
    {
        $first = $order[$i];
        $last = $order[$i + $few - 1];
        $before = $order[$i - 1];
        $after = $order[$i + $few] ?? null;
        $freed = $this->d($before, $first) + ($after === null ? 0.0 : $this->d($last, $after) - $this->d($before, $after));
        foreach ([$first, $last] as $joined) {
            foreach ($this->near[$joined] as $c) {
                $reach = $this->d($joined, $c);
                if ($reach >= $freed) {
                    break;
                }
                // After the neighbour, or before it.
                foreach ([$at[$c], $at[$c] - 1] as $k) {
                    if ($k < 0 || ($k >= $i - 1 && $k < $i + $few)) {
                        continue;
                    }
                    [$from, $to] = [$order[$k], $order[$k + 1] ?? null];
                    $gap = $to === null ? 0.0 : $this->d($from, $to);
                    $straight = $this->d($from, $first) + ($to === null ? 0.0 : $this->d($last, $to)) - $gap;
                    $turned = $this->d($from, $last) + ($to === null ? 0.0 : $this->d($first, $to)) - $gap;
                    if ($freed - min($straight, $turned) > 1e-9) {
                        $piece = array_slice($order, $i, $few);
                        array_splice($order, $i, $few);
                        array_splice($order, ($k > $i ? $k - $few : $k) + 1, 0, $turned < $straight ? array_reverse($piece) : $piece);

                        return true;
                    }
                }
            }
        }

        return false;
    }

    /**
     * Three stretches exchanged, which no single turning can do.
     *
     * @param  array<int, int>  $order
     * @return list<int>
     */
    private static function shaken(array $order, \Random\Randomizer $random): array
    {
        $cuts = [$random->getInt(1, count($order) - 1), $random->getInt(1, count($order) - 1), $random->getInt(1, count($order) - 1)];
        sort($cuts);

        $order = array_values($order);

        return [
            ...array_slice($order, 0, $cuts[0]), ...array_slice($order, $cuts[1], $cuts[2] - $cuts[1]),
            ...array_slice($order, $cuts[0], $cuts[1] - $cuts[0]), ...array_slice($order, $cuts[2]),
        ];
    }

    /** @param  array<int, int>  $order */
    private function length(array $order): float
    {
        $sum = 0.0;
        for ($i = 1; $i < count($order); $i++) {
            $sum += $this->d($order[$i - 1], $order[$i]);
        }

        return $sum;
    }

    private function d(int $a, int $b): float
    {
        return sqrt(($this->x[$a] - $this->x[$b]) ** 2 + ($this->y[$a] - $this->y[$b]) ** 2);
    }
}
