<?php

declare(strict_types=1);

namespace Parlay\Core\Adjustment;

final class NoSolution extends \DomainException
{
    public static function noStart(): self
    {
        return new self('The sights do not fix a place: their lines and circles do not meet.');
    }

    public static function singular(): self
    {
        return new self('The sights do not determine the answer: at least one unknown is left free by them.');
    }

    public static function diverged(int $rounds): self
    {
        return new self("The adjustment did not settle in $rounds rounds: a sight or a coordinate must be far wrong.");
    }
}
