<?php

declare(strict_types=1);

namespace App;

use Illuminate\Support\Facades\Date;

/** Time as it is stored: UTC with microseconds, so that the field book sorts by it. */
final class Clock
{
    public static function stamp(): string
    {
        return Date::now('UTC')->format('Y-m-d\TH:i:s.u\Z');
    }
}
