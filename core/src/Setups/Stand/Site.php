<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Stand;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setups\PlannedSight;
use Parlay\Core\Setups\Precision;
use Parlay\Core\Setups\WeakFigure;
use Parlay\Core\Setups\Weakness;

/** Control, walls and work: what decides where to stand. */
final readonly class Site
{
    /** More sights than this are seldom taken, and more to choose from make the choice no better. */
    private const FROM = 12;

    /** @var list<Position> corners of the work: nowhere in it is it worse than at one of them */
    private array $corners;

    /**
     * @param  array<string, Position>  $control  by name
     * @param  array<string, float>  $deviations  of their coordinates, metres
     * @param  list<Position>  $work  what is to be staked
     */
    public function __construct(
        public array $control,
        private array $deviations,
        public array $work,
        private Walls $walls,
        private Accuracy $accuracy,
    ) {
        $this->corners = self::hull($work);
    }

    /** @return list<string> control that can be seen from a place */
    public function seen(Position $place): array
    {
        $seen = [];
        foreach ($this->control as $name => $c) {
            if (! $this->walls->block($place, $c)) {
                $seen[] = (string) $name;
            }
        }

        return $seen;
    }

    /** @param  list<string>  $names */
    public function precision(Position $place, array $names): ?Precision
    {
        return Expected::precision(
            $place, array_map(fn (string $n) => $this->control[$n], $names),
            array_map(fn (string $n) => $this->deviations[$n] ?? 0.0, $names), $this->accuracy,
        );
    }

    /**
     * The worst of the work from a place with all control that can be seen: half the longer axis, metres; null where too little is
     * seen.
     */
    public function worst(Position $place): ?float
    {
        $precision = $this->corners === [] ? null : $this->precision($place, $this->seen($place));

        return $precision === null || $this->corners === [] ? null : Expected::worst($precision, $place, $this->corners)[1];
    }

    /** What is weak about a place though all control that can be seen is sighted; null where it will do, or where it fixes no place. */
    public function weakness(Position $place): ?Weakness
    {
        $seen = $this->seen($place);
        $precision = $this->corners === [] ? null : $this->precision($place, $seen);
        if ($precision === null || $this->corners === []) {
            return null;
        }
        $sights = array_map(fn (string $n) => new PlannedSight($n, $this->control[$n], $this->deviations[$n] ?? 0.0), $seen);
        $far = $this->corners[Expected::worst($precision, $place, $this->corners)[0]];

        return (new WeakFigure($place, $precision, $sights, $this->accuracy, $far, []))->weakness();
    }

    /**
     * The two or three sights that serve the work best: a third where it makes the worst point better by more than a tenth.
     *
     * @return array{list<string>, float}|null names, and the worst point with them
     */
    public function bestSights(Position $place): ?array
    {
        $names = $this->seen($place);
        // Far ones orient, near ones place: take both kinds where there are many.
        usort($names, fn (string $a, string $b) => $place->distanceTo($this->control[$a]) <=> $place->distanceTo($this->control[$b]));
        if (count($names) > self::FROM) {
            $names = [...array_slice($names, 0, self::FROM / 2), ...array_slice($names, -self::FROM / 2)];
        }
        $two = $this->best($place, self::choices($names, 2));
        $three = $this->best($place, self::choices($names, 3));

        return $two === null || ($three !== null && $three[1] < 0.9 * $two[1]) ? $three : $two;
    }

    /**
     * Precision of the worst point for places of a raster, row by row from the south, each from the west.
     *
     * @return list<float|null> metres
     */
    public function map(float $south, float $west, float $step, int $columns, int $fromRow, int $toRow): array
    {
        $values = [];
        for ($row = $fromRow; $row < $toRow; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                $values[] = $this->worst(new Position($south + ($row + 0.5) * $step, $west + ($column + 0.5) * $step));
            }
        }

        return $values;
    }

    /**
     * @param  list<list<string>>  $choices
     * @return array{list<string>, float}|null
     */
    private function best(Position $place, array $choices): ?array
    {
        $best = null;
        foreach ($choices as $names) {
            $precision = $this->corners === [] ? null : $this->precision($place, $names);
            if ($precision === null || $this->corners === []) {
                continue;
            }
            $worst = Expected::worst($precision, $place, $this->corners)[1];
            if ($best === null || $worst < $best[1]) {
                $best = [$names, $worst];
            }
        }

        return $best;
    }

    /**
     * @param  list<string>  $names
     * @return list<list<string>>
     */
    private static function choices(array $names, int $count): array
    {
        if ($count === 0) {
            return [[]];
        }
        $choices = [];
        foreach ($names as $i => $name) {
            foreach (self::choices(array_slice($names, $i + 1), $count - 1) as $rest) {
                $choices[] = [$name, ...$rest];
            }
        }

        return $choices;
    }

    /**
     * Andrew's monotone chain. A point's variance is a convex function of its place, so that the worst lies on the hull.
     *
     * @param  list<Position>  $points
     * @return list<Position>
     */
    private static function hull(array $points): array
    {
        usort($points, static fn (Position $a, Position $b) => [$a->easting, $a->northing] <=> [$b->easting, $b->northing]);
        if (count($points) < 3) {
            return $points;
        }
        $half = static function (array $points): array {
            $chain = [];
            foreach ($points as $p) {
                while (count($chain) >= 2) {
                    [$a, $b] = array_slice($chain, -2);
                    if (($b->easting - $a->easting) * ($p->northing - $a->northing)
                        - ($b->northing - $a->northing) * ($p->easting - $a->easting) > 0) {
                        break;
                    }
                    array_pop($chain);
                }
                $chain[] = $p;
            }

            return array_slice($chain, 0, -1);
        };

        return [...$half($points), ...$half(array_reverse($points))];
    }
}
