<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use App\Stakeout\AgainEntry;
use App\Stakeout\AimKind;
use App\Stakeout\MeasuredBy;
use App\Stakeout\Models\Mark;
use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Setups\UnreadableRecord;
use Parlay\Core\Stakeout\TwiceMeasured;

/** Says how a mark differs from the last one of the same thing from another setup; stores nothing, and overwrites nothing. */
final class TellAgain
{
    /** Null where there is none, or one of them can't be worked out. */
    public function __invoke(Project $project, int $mark): ?AgainEntry
    {
        $second = Mark::of($project)->with(['setup', 'observation'])->where('marks.id', $mark)->firstOrFail();
        $first = $this->before($project, $second);
        if ($first === null) {
            return null;
        }
        try {
            $both = TwiceMeasured::of($first->position(), MeasuredBy::of($first)->spread($first->setup), $second->position(), MeasuredBy::of($second)->spread($second->setup));
        } catch (UnreadableRecord) {
            return null;
        }

        return new AgainEntry(
            markId: $first->id, name: $first->name, setupNumber: $first->setup->number, difference: $both->difference, expectedPlan: $both->expectedPlan, expectedHeight: $both->expectedHeight,
            agrees: $both->agrees, mean: $both->mean, meanPlan: Ellipse::ninetyFive($both->meanSpread->nn, $both->meanSpread->ee, $both->meanSpread->ne)->major,
            meanHeight: $both->mean->elevation === null ? null : Significance::NINETY_FIVE * sqrt($both->meanSpread->hh),
        );
    }

    private function before(Project $project, Mark $second): ?Mark
    {
        $same = Mark::of($project)->with(['setup', 'observation'])->where('kind', $second->kind)->where('marks.id', '<', $second->id)->orderByDesc('marks.id');
        if ($second->point_id !== null) {
            $same->where('point_id', $second->point_id);
        } elseif ($second->aim_key !== '' && $second->aimed()?->kind === AimKind::Spot) {
            $same->where('aim_key', $second->aim_key);
        } else {
            return null;
        }
        $root = Setup::query()->findOrFail($second->setup_id)->root();

        return $same->get()->first(static fn (Mark $m): bool => $m->setup->root() !== $root);
    }
}
