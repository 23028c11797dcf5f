<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** How it is decided whether something conforms to its tolerance. */
final readonly class DecisionRule
{
    /** Asked for with less than this, a thing would conform that more probably does not. */
    private const LEAST = 0.5;

    private const MOST = 0.999;

    /** @param  float  $level  probability that is asked for */
    public function __construct(public Acceptance $acceptance = Acceptance::Simple, public float $level = 0.95) {}

    public static function isLevel(float $level): bool
    {
        return $level >= self::LEAST && $level <= self::MOST;
    }
}
