<?php

declare(strict_types=1);

namespace App\Projects\Http;

use App\Civil\CivilChoices;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\PreparationStep;
use App\Projects\Models\Project;
use App\Setups\AcceptedSetup;
use App\Setups\Models\Setup;
use App\Stakeout\StakingChoices;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Stakeout\Acceptance;
use Parlay\Core\Units\Units;

final readonly class ProjectResource
{
    public function __construct(
        public int $id,
        public string $name,
        public Units $units,
        public float $planTolerance,
        public float $heightTolerance,
        public ?float $aboveTolerance,
        public ?float $plumbOneIn,
        public ?float $flatTolerance,
        public ?float $residualLimit,
        public Acceptance $acceptance,
        public float $acceptanceLevel,
        public int $revision,
        public ProgressResource $progress,
        public StakingChoices $staking,
        public CivilChoices $civil,
        public ?AcceptedSetup $setup,
        public ?string $undo,
        public ?string $redo,
    ) {}

    public static function of(Project $p): self
    {
        $setup = Setup::current($p)->first();
        $steps = PreparationStep::query()->where('project_id', $p->id);

        return new self(
            id: $p->id,
            name: $p->name,
            units: $p->units(),
            planTolerance: $p->plan_tolerance,
            heightTolerance: $p->height_tolerance,
            aboveTolerance: $p->above_tolerance,
            plumbOneIn: $p->plumb_one_in,
            flatTolerance: $p->flat_tolerance,
            residualLimit: $p->residual_limit,
            acceptance: $p->acceptance,
            acceptanceLevel: $p->acceptance_level,
            revision: $p->revision,
            progress: self::progress($p),
            staking: StakingChoices::of($p),
            civil: CivilChoices::of($p),
            setup: $setup === null ? null : AcceptedSetup::of($setup),
            undo: (clone $steps)->where('undone', false)->orderByDesc('id')->value('label'),
            redo: (clone $steps)->where('undone', true)->orderBy('id')->value('label'),
        );
    }

    /** Counted by the database in one go. */
    private static function progress(Project $p): ProgressResource
    {
        $row = (array) DB::selectOne('SELECT
            (SELECT count(*) FROM control_points WHERE project_id = :p) AS control,
            (SELECT count(*) FROM designs WHERE project_id = :p AND removed_at IS NULL) AS designs,
            (SELECT count(*) FROM stakeout_points WHERE project_id = :p) AS points,
            (SELECT count(*) FROM stakeout_points WHERE project_id = :p AND '.StakeoutPoint::state()." = 'done') AS staked,
            (SELECT count(*) FROM standing_marks WHERE project_id = :p AND kind = 'as_built') AS as_built,
            (SELECT count(*) FROM standing_marks WHERE project_id = :p AND kind = 'check' AND setup_id = (SELECT id FROM setups WHERE project_id = :p ORDER BY coalesce(stands_for, id) DESC, id DESC LIMIT 1)) AS checks,
            (SELECT count(*) FROM standing_marks m WHERE project_id = :p AND kind <> 'check' AND verdict = 'out'
                AND (point_id IS NULL OR NOT EXISTS (SELECT 1 FROM standing_marks later WHERE later.project_id = m.project_id AND later.kind = m.kind AND later.point_id = m.point_id AND later.id > m.id))) AS outside", [
            'p' => $p->id,
        ]);

        return new ProgressResource(...array_map(intval(...), [
            'control' => $row['control'], 'designs' => $row['designs'], 'points' => $row['points'], 'staked' => $row['staked'],
            'checks' => $row['checks'], 'asBuilt' => $row['as_built'], 'out' => $row['outside'],
        ]));
    }
}
