<?php

declare(strict_types=1);

namespace App\Civil;

/** An alignment that is made here, or changed. */
final readonly class AlignmentToMake
{
    /** @param  int|null  $seen  its version, where one is changed */
    public function __construct(public string $name, public AlignmentGiven $given, public ?int $seen = null) {}
}
