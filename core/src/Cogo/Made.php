<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\Leg;
use Parlay\Core\Geometry\Position;

/** What a computation gives: one solution, or all there are, lettered in a fixed order so that a kept letter means the same again. */
final readonly class Made
{
    /**
     * @param  non-empty-list<Solution>  $solutions
     * @param  list<Quantity>  $figures  that all solutions share
     */
    private function __construct(
        public array $solutions,
        public array $figures = [],
    ) {}

    /**
     * @param  list<MadePlace>  $places
     * @param  list<Quantity>  $figures
     * @param  list<Leg>  $drawn
     */
    public static function one(array $places, array $figures = [], array $drawn = []): self
    {
        return new self([new Solution('A', '', $places, $figures, $drawn)]);
    }

    /**
     * @param  non-empty-list<Position>  $places  each a solution of its own
     * @param  list<string>  $words  as many, what tells each from the others
     * @param  callable(Position): list<Quantity>  $figures
     * @param  callable(Position): list<Leg>  $drawn
     */
    public static function either(array $places, array $words, callable $figures, callable $drawn): self
    {
        $solutions = [];
        foreach ($places as $i => $place) {
            $word = count($places) === 1 ? 'the only one: they just touch' : ($words[$i] ?? '');
            $solutions[] = new Solution(chr(ord('A') + $i), $word, [new MadePlace($place)], $figures($place), $drawn($place));
        }

        return new self($solutions);
    }

    /**
     * Solutions that are figures only.
     *
     * @param  non-empty-list<list<Quantity>>  $figures
     */
    public static function several(array $figures): self
    {
        return new self(
            array_map(static fn (array $f, int $i) => new Solution(chr(ord('A') + $i), '', [], $f), $figures, array_keys($figures)),
        );
    }

    /** The place that was kept: its solution's letter and its number there; null where the figure has none such. */
    public function place(string $letter, int $index): ?MadePlace
    {
        foreach ($this->solutions as $solution) {
            if ($solution->letter === $letter) {
                return $solution->places[$index] ?? null;
            }
        }

        return null;
    }
}
