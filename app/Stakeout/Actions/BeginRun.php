<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Clock;
use App\KeyTaken;
use App\NeedsConfirmation;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Setups\Actions\SetupDrafts;
use App\Setups\DraftChange;
use App\Setups\Models\Setup;
use App\Stakeout\AimKind;
use App\Stakeout\Models\KeptAim;
use App\Stakeout\Models\Mark;
use App\Stakeout\Models\Run;
use App\Stakeout\Models\RunStep;
use App\Stakeout\RunMode;
use App\Stakeout\RunState;
use App\Stakeout\RunToBegin;
use App\Stakeout\StepState;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;

/** Begins a run: its points in their order, written down before the instrument is told anything. */
final class BeginRun
{
    private const MOST = 5000;

    public function __invoke(Project $project, RunToBegin $body): Run
    {
        KeyTaken::checked($body->key);
        $known = Run::query()->where('project_id', $project->id)->where('key', $body->key)->first();
        if ($known !== null) {
            return $known;
        }
        $body->settings->check();
        $this->refuseEarly($project, $body);
        $steps = self::ordered(self::steps($project, $body), $body);
        if ($steps === []) {
            throw new \DomainException('Nothing is left to be run over. Choose points, or a list that has some.');
        }
        if (count($steps) > self::MOST) {
            throw new \DomainException('A run goes over at most '.number_format(self::MOST).' points. Choose a part of the list.');
        }

        return DB::transaction(static function () use ($project, $body, $steps): Run {
            Run::query()->whereIn('state', [RunState::Running, RunState::Paused])->update(['state' => RunState::Stopped, 'why' => 'Another run was begun.']);
            $run = Run::query()->create([
                'project_id' => $project->id, 'key' => $body->key, 'at' => Clock::stamp(), 'state' => RunState::Running,
                'leader' => mb_substr($body->leader, 0, 80),
                'settings' => (array) json_decode(json_encode($body->settings, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true),
            ]);
            foreach ($steps as $place => $step) {
                RunStep::query()->create(['run_id' => $run->id, 'place' => $place, 'state' => StepState::Open] + array_diff_key($step, ['at' => 1]));
            }
            // The plate says with what it is measured; what was measured before keeps what it was measured with.
            SetupDrafts::change($project, new DraftChange(dot: $body->settings->mode === RunMode::Dot));
            $project->measured();

            return $run;
        });
    }

    private function refuseEarly(Project $project, RunToBegin $body): void
    {
        $setup = Setup::current($project)->first() ?? throw new \DomainException('Set up the instrument first.');
        $setup->requireHolding();
        if (! $body->settings->withoutCheck && ! Mark::query()->where('project_id', $project->id)->where('setup_id', $setup->id)->exists()) {
            throw new NeedsConfirmation(
                'No check shot has been taken since this setup was accepted. Take one on a control point before the first mark.', 'no_check',
            );
        }
        $other = Run::query()->where('state', RunState::Running)->first();
        if ($other !== null && ! $body->evenRunning) {
            throw new NeedsConfirmation('A run is under way already. It is stopped where it is when this one begins.', 'running');
        }
    }

    /** @return list<array{point_id: int|null, aim_id: int|null, aim_version: int|null, name: string, at: Position}> */
    private static function steps(Project $project, RunToBegin $body): array
    {
        if ($body->skippedOf !== null) {
            return self::left($project, $body->skippedOf);
        }
        $query = StakeoutPoint::of($project)->whereIn('id', $body->pointIds);
        $rows = ($body->openOnly ? $query->open() : $query)->get(['id', 'name', 'northing', 'easting', 'elevation'])->keyBy('id');
        $steps = [];
        foreach (array_unique($body->pointIds) as $id) {
            $p = $rows->get($id);
            if ($p !== null) {
                $steps[] = ['point_id' => $p->id, 'aim_id' => null, 'aim_version' => null, 'name' => $p->name, 'at' => $p->position()];
            }
        }
        $aims = KeptAim::query()->where('project_id', $project->id)->whereIn('id', $body->aimIds)
            ->whereIn('kind', [AimKind::Spot, AimKind::Place])->get()->keyBy('id');
        foreach (array_unique($body->aimIds) as $id) {
            $a = $aims->get($id);
            if ($a !== null) {
                $steps[] = [
                    'point_id' => null, 'aim_id' => $a->id, 'aim_version' => $a->version, 'name' => $a->name,
                    'at' => $a->place() ?? new Position(0, 0),
                ];
            }
        }

        return array_values(array_slice($steps, max(0, ($body->from ?? 1) - 1), $body->to === null ? null : max(0, $body->to - max(0, ($body->from ?? 1) - 1))));
    }

    /**
     * What an earlier run skipped, and what it was stopped before.
     *
     * @return list<array{point_id: int|null, aim_id: int|null, aim_version: int|null, name: string, at: Position}>
     */
    private static function left(Project $project, int $of): array
    {
        $run = Run::query()->where('project_id', $project->id)->findOrFail($of);
        $steps = [];
        foreach ($run->steps()->whereNotIn('state', [StepState::Stored, StepState::Out])->orderBy('place')->get() as $s) {
            $thing = $s->point_id !== null
                ? StakeoutPoint::of($project)->find($s->point_id)
                : KeptAim::query()->where('project_id', $project->id)->find($s->aim_id);
            if ($thing !== null) {
                $steps[] = [
                    'point_id' => $s->point_id, 'aim_id' => $s->aim_id, 'aim_version' => $thing instanceof KeptAim ? $thing->version : null,
                    'name' => $s->name, 'at' => $thing instanceof KeptAim ? $thing->place() ?? new Position(0, 0) : $thing->position(),
                ];
            }
        }

        return $steps;
    }

    /**
     * @param  list<array{point_id: int|null, aim_id: int|null, aim_version: int|null, name: string, at: Position}>  $steps
     * @return list<array{point_id: int|null, aim_id: int|null, aim_version: int|null, name: string, at: Position}>
     */
    private static function ordered(array $steps, RunToBegin $body): array
    {
        $from = $body->fromNorthing === null || $body->fromEasting === null
            ? $steps[0]['at'] ?? new Position(0, 0)
            : new Position($body->fromNorthing, $body->fromEasting);

        return array_map(
            static fn (int $i) => $steps[$i], $body->order->of(array_column($steps, 'name'), array_column($steps, 'at'), $from),
        );
    }
}
