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

    /** A mark not sighted yet, whose place the explanations foretell differently. */
    public static function sightTo(string $mark): self
    {
        return new self(DeciderKind::SightTo, $mark);
    }

    /** @param  string|null  $mark  null: all of them */
    public static function again(?string $mark): self
    {
        return $mark === null ? new self(DeciderKind::AllAgain) : new self(DeciderKind::Again, $mark);
    }

    /** One much nearer or much farther than those sighted. */
    public static function anotherMark(): self
    {
        return new self(DeciderKind::AnotherMark);
    }
}
