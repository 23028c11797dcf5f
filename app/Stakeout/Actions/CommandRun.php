<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\NeedsConfirmation;
use App\Projects\Models\Project;
use App\Stakeout\Models\Run;
use App\Stakeout\Models\RunStep;
use App\Stakeout\RunCommand;
use App\Stakeout\RunDeed;
use App\Stakeout\RunState;
use App\Stakeout\StepState;
use Illuminate\Support\Facades\DB;

/** What a person says to a run. Written down only: the process that holds the link sees it there and does it. */
final class CommandRun
{
    public function __invoke(Project $project, int $id, RunCommand $command): Run
    {
        return DB::transaction(static function () use ($project, $id, $command): Run {
            $run = Run::query()->where('project_id', $project->id)->findOrFail($id);
            if ($command->do === RunDeed::Lead) {
                $run->leader = mb_substr($command->leader, 0, 80);
            } else {
                self::refuseOthers($run, $command);
                self::do($run, $command);
            }
            $run->save();
            $project->measured();

            return $run;
        });
    }

    private static function refuseOthers(Run $run, RunCommand $command): void
    {
        if ($run->leader !== $command->leader) {
            throw new NeedsConfirmation('Another tablet leads this run. Take the lead to give it commands from here.', 'led_elsewhere');
        }
        if (in_array($run->state, [RunState::Stopped, RunState::Ended], true)) {
            throw new \DomainException('This run is over. Begin another one.');
        }
    }

    private static function do(Run $run, RunCommand $command): void
    {
        $step = $run->current();
        // What was touched while the run went on to the next is not meant for the next.
        if ($command->place !== null && $command->place !== $run->place && in_array($command->do, [RunDeed::Mark, RunDeed::Skip, RunDeed::Again], true)) {
            throw new \DomainException('The run is at '.($step->name ?? 'its end').' meanwhile. Look, and touch again.');
        }
        match ($command->do) {
            RunDeed::Pause => $run->fill(['state' => RunState::Paused, 'why' => '']),
            RunDeed::Resume => self::resume($run, $step),
            RunDeed::Stop => $run->fill(['state' => RunState::Stopped, 'why' => '']),
            RunDeed::Mark => self::mark($run, $step),
            RunDeed::Skip => self::leave($run, $step, 'by hand'),
            RunDeed::Again => self::anew($run, $step),
            RunDeed::Back => self::back($run, $step),
            RunDeed::Lead => null,
        };
    }

    /** Taken up where it was: what was under way then is begun anew, for the instrument may look elsewhere. */
    private static function resume(Run $run, ?RunStep $step): void
    {
        $run->fill(['state' => RunState::Running, 'why' => '']);
        if ($step !== null && ! $step->state->isOver() && $step->state !== StepState::Measuring) {
            self::anew($run, $step);
        }
    }

    private static function mark(Run $run, ?RunStep $step): void
    {
        if ($step?->state !== StepState::Marking) {
            throw new \DomainException('The instrument is not there yet. Wait until it holds still.');
        }
        $step->update(['state' => StepState::Measuring]);
        $run->fill(['state' => RunState::Running, 'why' => '']);
    }

    private static function leave(Run $run, ?RunStep $step, string $why): void
    {
        if ($step !== null && ! $step->state->isOver()) {
            $step->update(['state' => StepState::Skipped, 'why' => $why]);
        }
        $run->fill(['state' => RunState::Running, 'why' => '', 'place' => min($run->place + 1, $run->steps()->count())]);
    }

    private static function anew(Run $run, ?RunStep $step): void
    {
        $step?->update(['state' => StepState::Open, 'why' => '', 'tries' => 0, 'miss' => null, 'attempt' => $step->attempt + 1]);
        $run->fill(['state' => RunState::Running, 'why' => '']);
    }

    /** The one before is taken again; a mark that was stored of it stays in the book, and the later one counts. */
    private static function back(Run $run, ?RunStep $step): void
    {
        if ($run->place === 0) {
            throw new \DomainException('This is the first of the run.');
        }
        if ($step !== null && ! $step->state->isOver()) {
            $step->update(['state' => StepState::Open, 'attempt' => $step->attempt + 1]);
        }
        $run->place--;
        self::anew($run, $run->current());
    }
}
