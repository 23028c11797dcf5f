<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Clock;
use App\Database\BringsUpToDate;
use App\Stakeout\Models\Mark;
use Illuminate\Support\Facades\DB;

/** Keeps the spread of marks that were made before it was kept with them: so a list of thousands is not worked out at every look. */
final class SpreadsOfEarlierMarks implements BringsUpToDate
{
    private const AT_ONCE = 500;

    /** Seconds that a start may take longer; the rest is done at the next one, and worked out where it is looked at until then. */
    private const PATIENCE = 20.0;

    public function bringUpToDate(): ?string
    {
        $begun = Clock::steady();
        $last = 0;
        try {
            while (Clock::steady() - $begun < self::PATIENCE) {
                $marks = Mark::query()->where('id', '>', $last)->whereNull('spread')->whereNotNull('design_northing')
                    ->whereNotIn('id', DB::table('mark_spreads')->select('mark_id'))->orderBy('id')->limit(self::AT_ONCE)->get();
                if ($marks->isEmpty()) {
                    return null;
                }
                $last = (int) $marks->max('id');
                MarkSpread::complete($marks);
                DB::table('mark_spreads')->insertOrIgnore($marks->filter(static fn (Mark $m): bool => $m->spread !== null)->map(static fn (Mark $m): array => [
                    'mark_id' => $m->id, 'spread' => json_encode($m->spread, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
                ])->values()->all());
            }
        } catch (\Throwable $e) {
            return "How far marks of earlier versions may be wrong could not be worked out beforehand ({$e->getMessage()}); it is where they are looked at.";
        }

        return null;
    }
}
