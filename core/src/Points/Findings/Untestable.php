<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

/** What this list and project can't tell. */
final readonly class Untestable
{
    private function __construct(
        public UntestableKind $kind,
        public ?float $metres = null,
    ) {}

    public static function that(UntestableKind $kind): self
    {
        return new self($kind);
    }

    /** @param  float  $metres  by which the two feet move these points at most */
    public static function whichFeet(float $metres): self
    {
        return new self(UntestableKind::WhichFeet, $metres);
    }
}
