<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

final class NoSolution extends \DomainException
{
    /** No approximate values were found to begin from. */
    public static function noStart(): self
    {
        return new self('The sights do not fix a place: their lines and circles do not meet.');
    }

    /** The observations leave an unknown undetermined. */
    public static function singular(): self
    {
        return new self('The sights do not determine the answer: at least one unknown is left free by them.');
    }

    /** @param  int  $rounds  after which the unknowns still moved */
    public static function diverged(int $rounds): self
    {
        return new self("The adjustment did not settle in $rounds rounds: a sight or a coordinate must be far wrong.");
    }
}
