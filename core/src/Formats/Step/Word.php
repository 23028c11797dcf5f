<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Step;

/** One of the words a schema has for an attribute, written between dots; T and F are true and false. */
final readonly class Word
{
    public function __construct(public string $word) {}
}
