<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Points\Models\Code;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Setups\Actions\SetupDrafts;
use App\Setups\DraftInputs;
use App\Setups\Models\Setup;
use App\Stakeout\Against;
use App\Stakeout\LiveView;
use App\Stakeout\Models\KeptAim;
use App\Stakeout\ProvableEntry;
use App\Stakeout\ProvableQuery;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Aims\PlaceAim;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\Provable;
use Parlay\Core\Stakeout\Tolerance;

/** Says before anything is marked whether its tolerance can be proven from where the instrument stands; asked once for a target, not while one walks. */
final class TellProvable
{
    /** Null where nothing is set up, nothing of it is judged, or a line or a face is staked and no pole is seen. */
    public function __invoke(Project $project, ProvableQuery $query): ?ProvableEntry
    {
        $setup = Setup::current($project)->first();
        $against = self::against($project, $query);
        if ($setup === null || $against === null || ($against->isGrade() && $against->gradeTolerance() === null) || ! $setup->holds()) {
            return null;
        }
        $pole = $against->aim instanceof PlaceAim ? $setup->position() : LiveView::poleOf($project);
        $place = $pole === null ? null : $against->aim->designedAt($pole)->place;
        if ($place === null) {
            return null;
        }
        $tolerance = Code::toleranceOf($project, $against->code)->ofGrade($against->gradeTolerance());
        $best = self::best($project, $setup, $against, $place, $tolerance, $query->judged);

        return $best === null ? null : ProvableEntry::of($best, $tolerance, $project->acceptance_level);
    }

    private static function against(Project $project, ProvableQuery $query): ?Against
    {
        return match (true) {
            $query->target !== null => Against::point(StakeoutPoint::of($project)->findOrFail($query->target)),
            $query->aim !== null => Against::kept(KeptAim::query()->where('project_id', $project->id)->findOrFail($query->aim)),
            default => null,
        };
    }

    private static function best(Project $project, Setup $setup, Against $against, Position $place, Tolerance $tolerance, ?Judged $judged): ?Provable
    {
        $draft = SetupDrafts::of($project);

        return Provable::at(
            $setup->station(), $setup->found()->trusted(), DraftInputs::of($project, $draft)->accuracy(), $draft->target()->height, $place,
            static fn (Position $p): Position => $against->aim->designedAt($p)->place, $tolerance,
            $against->judges($judged, Code::judgedOf($project, $against->code)),
        );
    }
}
