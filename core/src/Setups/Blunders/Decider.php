<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

/** What to measure so that explanations part which the readings can't tell from each other. */
final readonly class Decider
{
    /** @param  string|null  $mark  null: another mark than those sighted, or all again */
    private function __construct(
        public DeciderKind $kind,
        public ?string $mark = null,
    ) {}

    public static function sightTo(string $mark): self
    {
        return new self(DeciderKind::SightTo, $mark);
    }

    public static function again(?string $mark): self
    {
        return $mark === null ? new self(DeciderKind::AllAgain) : new self(DeciderKind::Again, $mark);
    }

    public static function anotherMark(): self
    {
        return new self(DeciderKind::AnotherMark);
    }
}
