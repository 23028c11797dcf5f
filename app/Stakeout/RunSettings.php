<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Stakeout\MarkedOn;

/** How a run goes. */
final readonly class RunSettings
{
    /**
     * tries: with the dot, at most. wait: seconds for a return. markSeconds: to hold still for marking; null until the button. elevation: at
     * which all marks on walls are made, metres; null at that of each design. floor: elevation of the slab, metres, as far as it is known.
     * wallId: the line, of those chosen in the field, along which the wall runs; null where it stands square to the beam. withoutCheck: no
     * check shot was taken, and the person said to go on.
     */
    public function __construct(
        public RunMode $mode = RunMode::Dot,
        public MarkedOn $on = MarkedOn::Slab,
        public int $tries = 10,
        public float $wait = 10.0,
        public ?float $markSeconds = null,
        public ?float $elevation = null,
        public ?float $floor = null,
        public ?int $wallId = null,
        public bool $withoutCheck = false,
    ) {}

    /** @throws \DomainException with what would do */
    public function check(): void
    {
        if ($this->tries < 1 || $this->tries > 100) {
            throw new \DomainException('A dot is brought onto its design in 1 to 100 tries.');
        }
        if ($this->wait < 0.0 || $this->wait > 60.0) {
            throw new \DomainException('A return is waited for 0 to 60 seconds.');
        }
        if ($this->markSeconds !== null && ($this->markSeconds < 0.0 || $this->markSeconds > 600.0)) {
            throw new \DomainException('Time to mark is 0 to 600 seconds; empty means until the button is touched.');
        }
        foreach ([$this->elevation, $this->floor] as $height) {
            if ($height !== null && abs($height) > 10_000.0) {
                throw new \DomainException('An elevation lies within ten kilometres of zero.');
            }
        }
    }
}
