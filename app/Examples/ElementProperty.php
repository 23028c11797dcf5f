<?php

declare(strict_types=1);

namespace App\Examples;

/** What the file says of a thing. */
final readonly class ElementProperty
{
    public function __construct(public string $name, public string $text) {}
}
