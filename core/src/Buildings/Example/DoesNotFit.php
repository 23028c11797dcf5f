<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

/** A spot that a thing does not have. */
final class DoesNotFit extends \DomainException
{
    /**
     * @param  int  $has  how many of what is asked for the thing has
     * @param  int  $wanted  how many the example has
     */
    public function __construct(public readonly Misfit $why, public readonly int $has = 0, public readonly int $wanted = 0)
    {
        parent::__construct($why->value);
    }
}
