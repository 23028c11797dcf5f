<?php

declare(strict_types=1);

namespace App\Mending;

use App\Clock;
use App\Stakeout\Models\Mark;

/** A mark as it is told from now on, beside the one it was: a line of the book is never changed. */
final class MarkVersion
{
    /** What is its own. */
    private const OWN = ['id', 'seq', 'key', 'at', 'mends', 'computed_by'];

    /** @param  array<string, mixed>  $columns  those that are another than before */
    public static function write(Mark $old, array $columns): Mark
    {
        $mark = new Mark;
        $mark->setRawAttributes(array_diff_key($old->getAttributes(), array_flip(self::OWN)));
        $mark->fill($columns + [
            'key' => "mended-{$old->id}-".bin2hex(random_bytes(6)), 'at' => Clock::stamp(), 'computed_by' => config()->string('parlay.version'), 'mends' => $old->id,
        ])->save();

        return $mark;
    }
}
