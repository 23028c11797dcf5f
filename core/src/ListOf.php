<?php

declare(strict_types=1);

namespace Parlay\Core;

/** Says what a list of a value object holds, 'int', 'float', 'string' or a class, to whoever reads or writes it at run time. */
#[\Attribute(\Attribute::TARGET_PARAMETER | \Attribute::TARGET_PROPERTY)]
final readonly class ListOf
{
    /** @param  string  $type  'int', 'float', 'string' or a class */
    public function __construct(public string $type) {}
}
