<?php

declare(strict_types=1);

namespace App\Http;

/** Says what an array of a body or a resource holds: 'int', 'float', 'string' or a class. */
#[\Attribute(\Attribute::TARGET_PARAMETER | \Attribute::TARGET_PROPERTY)]
final readonly class ListOf
{
    public function __construct(public string $type) {}
}
