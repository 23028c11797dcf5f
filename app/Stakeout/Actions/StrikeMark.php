<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Clock;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use App\Stakeout\Models\Mark;
use App\Stakeout\Models\Strike;
use App\Stakeout\StrikeWanted;
use Illuminate\Support\Facades\DB;

/** Strikes a stake, an as-built shot or a check through, or takes the strike back: it stays in the book with its reading, and counts nowhere while it is struck. */
final class StrikeMark
{
    private const LONGEST_REASON = 200;

    private const LONGEST_NAME = 80;

    /** @throws \DomainException where it says no reason, or stands no more as it was measured */
    public function __invoke(Project $project, int $markId, StrikeWanted $body): Mark
    {
        [$reason, $by] = [trim($body->reason), trim($body->by)];
        if ($reason === '' || mb_strlen($reason) > self::LONGEST_REASON || mb_strlen($by) > self::LONGEST_NAME) {
            throw new \DomainException('Say in a few words why: it stays in the field book.');
        }

        return DB::transaction(static function () use ($project, $markId, $body, $reason, $by): Mark {
            $mark = Mark::query()->where('project_id', $project->id)->with(['strike', 'setup'])->findOrFail($markId);
            if (Mark::query()->where('mends', $mark->id)->exists()) {
                throw new \DomainException("“{$mark->name}” was mended since. Strike what stands for it now.");
            }
            // Asked twice, it is done once.
            if (($mark->strike->struck ?? false) === $body->struck) {
                return $mark;
            }
            if (! $body->struck) {
                self::requireSameSetup($mark);
            }
            Strike::query()->create([
                'project_id' => $project->id, 'mark_id' => $mark->id, 'at' => Clock::stamp(), 'struck' => $body->struck, 'reason' => $reason, 'by' => $by,
            ]);
            $project->measured();

            return $mark->load('strike');
        });
    }

    /** While it was struck nothing of it was worked anew. */
    private static function requireSameSetup(Mark $mark): void
    {
        $latest = Setup::query()->where(static fn ($q) => $q->where('id', $mark->setup->root())->orWhere('stands_for', $mark->setup->root()))->max('id');
        if ((int) $latest !== $mark->setup_id) {
            throw new \DomainException(
                "The setup of “{$mark->name}” was mended while it was struck, and its figures were not. It stays struck: measure it again.",
            );
        }
    }
}
