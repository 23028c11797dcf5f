<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

final class NoSuchSpot extends \DomainException
{
    /** A kind of shape has no such spot. */
    public static function of(SpotKind $spot, ShapeKind $shape): self
    {
        return new self(
            sprintf('%s %s has no %s.', in_array($shape->word()[0], ['a', 'e', 'i'], true) ? 'An' : 'A', $shape->word(), $spot->value),
        );
    }

    /** The two lines don't cross where was pointed. */
    public static function noIntersection(): self
    {
        return new self('These two do not meet within their lengths.');
    }
}
