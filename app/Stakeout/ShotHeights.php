<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Civil\TellsShotHeights;
use App\Stakeout\Models\Mark;
use Parlay\Core\Setups\UnreadableRecord;

/** How far the heights of shots may be wrong, as a whole: of so many as tell it, evenly taken, by the mean of their squares. */
final class ShotHeights implements TellsShotHeights
{
    /** More tell nothing else. */
    private const MOST = 60;

    public function deviations(array $marks): ?array
    {
        $step = max(1, intdiv(count($marks), self::MOST));
        $some = array_values(array_filter($marks, static fn (int $k): bool => $k % $step === 0, ARRAY_FILTER_USE_KEY));
        $own = $shared = $count = 0.0;
        foreach (Mark::query()->with(['setup', 'observation'])->whereIntegerInRaw('id', $some)->whereNotNull('elevation')->get() as $m) {
            try {
                $setup = $m->setup->found()->trusted()->height ?? 0.0;
                $own += max(0.0, MeasuredBy::of($m)->spread($m->setup)->hh - $setup);
            } catch (UnreadableRecord) {
                continue;
            }
            $shared += $setup;
            $count++;
        }

        return $count === 0.0 ? null : [sqrt($own / $count), sqrt($shared / $count)];
    }
}
