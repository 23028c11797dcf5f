<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** Two solids of more faces than are cut with one another. */
final class TooManyFaces extends \DomainException
{
    public function __construct(public readonly int $faces)
    {
        parent::__construct("$faces faces are too many to be cut with one another");
    }
}
