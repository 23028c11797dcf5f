<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

/** Solves from several starts, and keeps the solutions that the observations can't tell apart. */
final class Likeliest
{
    /** Another solution explains the observations nearly as well where its square sum is larger by less than this. */
    private const NEARLY = 12.0;

    /** Two solutions whose first two unknowns, a place, are nearer than this are one; metres. */
    private const ONE = 1e-3;

    /**
     * @param  list<list<float>>  $starts
     * @return non-empty-list<GroupedSolution> the best first
     *
     * @throws NoSolution where none of them leads to one
     */
    public static function of(GroupedModel $model, array $starts): array
    {
        $solved = [];
        $why = NoSolution::noStart();
        foreach ($starts as $start) {
            try {
                $new = GroupedSquares::solve($model, $start);
            } catch (NoSolution $why) {
                continue;
            }
            // A wrong start may lead to the right place.
            if (array_filter($solved, static fn (GroupedSolution $s) => hypot(
                $s->unknowns[0] - $new->unknowns[0], $s->unknowns[1] - $new->unknowns[1],
            ) < self::ONE) === []) {
                $solved[] = $new;
            }
        }
        if ($solved === []) {
            throw $why;
        }
        usort($solved, static fn (GroupedSolution $a, GroupedSolution $b) => $a->squares <=> $b->squares);

        return [$solved[0], ...array_values(
            array_filter(array_slice($solved, 1), static fn (GroupedSolution $s) => $s->squares <= $solved[0]->squares + self::NEARLY),
        )];
    }
}
