<?php

declare(strict_types=1);

namespace App\Lists;

/** A name that has another code in a list that was issued again. */
final readonly class RecodedName
{
    public function __construct(public string $name, public string $was, public string $becomes) {}
}
