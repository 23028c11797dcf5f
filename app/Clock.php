<?php

declare(strict_types=1);

namespace App;

use Illuminate\Support\Facades\Date;

/** Two clocks: the one on the wall, which anybody may set, and the one that only runs on, by which waiting is measured. */
final class Clock
{
    /** Time as it is stored and told: UTC with microseconds. Nothing is put in order by it; the book has a sequence of its own. */
    public static function stamp(int $secondsFromNow = 0): string
    {
        return Date::now('UTC')->addSeconds($secondsFromNow)->format('Y-m-d\TH:i:s.u\Z');
    }

    /** Seconds since some moment of this start of the machine; the same in all its processes, and never set back. */
    public static function steady(): float
    {
        return hrtime(true) / 1e9;
    }

    /** Tells one start of the machine from another: figures of steady() can be compared within one. Empty where it isn't told. */
    public static function boot(): string
    {
        static $boot = null;

        return $boot ??= trim((string) @file_get_contents('/proc/sys/kernel/random/boot_id'));
    }
}
