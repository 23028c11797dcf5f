<?php

declare(strict_types=1);

namespace App\Database;

use App\Clock;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;

/** A line of the field book: it has its place there by a sequence of its own, whatever the clock on the wall is set to. */
trait InBook
{
    protected static function bootInBook(): void
    {
        static::creating(static function (self $line): void {
            $line->setAttribute('seq', DB::table('book_sequence')->insertGetId([
                'at' => $line->at,
                // A day that is played has no steady time.
                'steady' => Date::hasTestNow() ? null : Clock::steady(), 'boot' => Clock::boot(),
            ], 'seq'));
        });
    }
}
