<?php

declare(strict_types=1);

namespace Parlay\Simulator;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Normally distributed noise from a seed: the same seed gives the same day. */
final class Noise
{
    private readonly Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** Box-Muller. */
    public function normal(float $deviation): float
    {
        $u = ($this->random->getInt(1, 2 ** 30)) / 2 ** 30;
        $v = ($this->random->getInt(0, 2 ** 30 - 1)) / 2 ** 30;

        return $deviation * sqrt(-2 * log($u)) * cos(2 * M_PI * $v);
    }

    public function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->random->getInt(0, 2 ** 30) / 2 ** 30;
    }
}
