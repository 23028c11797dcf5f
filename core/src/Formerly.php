<?php

declare(strict_types=1);

namespace Parlay\Core;

/** What a field was called in records that were stored before it had its present name: they are read all the same. */
#[\Attribute(\Attribute::TARGET_PARAMETER | \Attribute::TARGET_PROPERTY)]
final readonly class Formerly
{
    public function __construct(public string $name) {}
}
