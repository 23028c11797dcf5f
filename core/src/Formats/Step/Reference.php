<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Step;

/** An instance spoken of by its number. */
final readonly class Reference
{
    public function __construct(public int $number) {}
}
