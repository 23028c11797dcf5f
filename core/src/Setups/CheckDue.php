<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** Why a check shot is due before anything else is measured. Common practice, no source. */
enum CheckDue
{
    /** nothing has been checked on this setup */
    case NotChecked;
    /** the instrument was off level since the last one */
    case OffLevel;
    /** nothing was measured for long */
    case Idle;

    /** After so long without a reading, seconds. */
    public const BREAK = 30 * 60.0;

    /** @param  float  $idle  seconds since the last reading */
    public static function when(bool $checked, bool $offLevelSince, float $idle): ?self
    {
        return match (true) {
            ! $checked => self::NotChecked,
            $offLevelSince => self::OffLevel,
            $idle > self::BREAK => self::Idle,
            default => null,
        };
    }

    /**
     * What to check on first: a mark proves most that the setup did not use and that was not just checked; stations come last.
     *
     * @return int the less, the sooner
     */
    public static function rank(bool $isStation, bool $used, bool $justChecked): int
    {
        return 4 * (int) $isStation + 2 * (int) $used + (int) $justChecked;
    }
}
