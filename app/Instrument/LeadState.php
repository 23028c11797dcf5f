<?php

declare(strict_types=1);

namespace App\Instrument;

/** Who leads the instrument, as the device that asks sees it. */
final readonly class LeadState
{
    /**
     * name: of the device that leads. mine: it is the one that asks. silent: seconds since it was heard. asks: the name of the device that asks for the
     * lead; asked: this one did. kept: its ask was answered with no. mayTake: it may be taken now.
     */
    public function __construct(
        public string $name,
        public bool $mine,
        public float $silent,
        public ?string $asks,
        public bool $asked,
        public bool $kept,
        public bool $mayTake,
    ) {}

    public static function of(Lead $lead, Device $seenBy): self
    {
        $asker = $lead->asker();

        return new self(
            name: $lead->name,
            mine: $lead->isOf($seenBy),
            silent: round($lead->silent(), 1),
            asks: $asker === null ? null : $lead->askedName,
            asked: $asker !== null && $asker === $seenBy->id,
            kept: $lead->keptFrom !== null && $lead->keptFrom === $seenBy->id,
            mayTake: $lead->mayBeTaken($seenBy),
        );
    }
}
