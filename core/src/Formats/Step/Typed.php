<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Step;

/** A value that says its type, such as IFCLENGTHMEASURE(3.2). */
final readonly class Typed
{
    /** @param  list<mixed>  $values  as in StepValues */
    public function __construct(public string $type, public array $values) {}
}
