<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** How far something that stands leans: what its highest shot is off against its lowest. */
final readonly class Plumb
{
    /** Shots closer above one another say nothing of it, metres. */
    public const LEAST = 0.5;

    /**
     * @param  float  $north  how far its upper part stands to the north of where it would stand upright, metres
     * @param  float  $height  between the two shots, metres
     */
    private function __construct(
        public float $north,
        public float $east,
        public float $height,
    ) {}

    /**
     * @param  list<array{float, float, float}>  $shots  height, and how far to the north and to the east each lies from where it is designed, metres
     */
    public static function of(array $shots): ?self
    {
        if (count($shots) < 2) {
            return null;
        }
        usort($shots, static fn (array $p, array $q): int => $p[0] <=> $q[0]);
        [$low, $high] = [$shots[0], $shots[count($shots) - 1]];

        return $high[0] - $low[0] < self::LEAST ? null : new self($high[1] - $low[1], $high[2] - $low[2], $high[0] - $low[0]);
    }

    /** How far in a direction, metres over the height. */
    public function along(float $azimuth): float
    {
        return $this->north * cos($azimuth) + $this->east * sin($azimuth);
    }

    public function lean(): float
    {
        return hypot($this->north, $this->east);
    }

    /** One in so many; null where it stands upright. */
    public function oneIn(): ?float
    {
        return $this->lean() < 1e-9 ? null : $this->height / $this->lean();
    }
}
