<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** Faces, or corners of one, more than are worked on. */
final class TooManyFaces extends \DomainException
{
    public function __construct(public readonly int $faces)
    {
        parent::__construct("$faces faces or corners are too many");
    }
}
