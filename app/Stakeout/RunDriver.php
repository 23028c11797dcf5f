<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Clock;
use App\Instrument\Models\QueuedInstruction;
use App\Instrument\Purpose;
use App\Instrument\TellsByItself;
use App\Projects\Models\Project;
use App\Setups\Actions\SetupDrafts;
use App\Stakeout\Actions\TellInstrument;
use App\Stakeout\Models\Mark;
use App\Stakeout\Models\Run;
use App\Stakeout\Models\RunStep;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Refusal;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Stakeout\DotSearch;
use Parlay\Core\Stakeout\MarkedOn;

/**
 * Takes a run from point to point, in the process that holds the link: pages come and go. All that must outlive this process stands in the
 * database before the instrument is told; what was under way when it ended is begun anew under another name, and a mark that was stored
 * by then is found by its key.
 */
final class RunDriver implements TellsByItself
{
    private ?int $seen = null;

    private ?Run $run = null;

    /** Whether this process has looked at what an earlier one left. */
    private bool $begun = false;

    private ?DotSearch $search = null;

    /** What the instrument is doing for the run: the key of the instruction. */
    private ?string $asked = null;

    private ?float $markedUntil = null;

    /** where the slab was hit last; of another run it may be that of a floor where this one is to mark a ceiling */
    private ?Position $floor = null;

    private ?int $floorOf = null;

    public function __construct(private readonly TellInstrument $tell) {}

    /** @return bool whether the instrument was told something */
    public function tick(): bool
    {
        if (! $this->isDue()) {
            return false;
        }
        $run = $this->run = Run::query()->where('state', RunState::Running)->orderByDesc('id')->first();
        $step = $run?->current();
        if ($run === null) {
            $this->forget();

            return false;
        }
        try {
            return $step === null ? $this->end($run) : $this->drive($run, $step);
        } catch (\DomainException $e) {
            $step?->state === StepState::Aiming && $step->update(['state' => StepState::Open, 'attempt' => $step->attempt + 1]);
            $this->pause($run, $e->getMessage());

            return false;
        }
    }

    public function isUnderWay(): bool
    {
        return $this->run?->state === RunState::Running;
    }

    /** Something is to be looked at: another process has written, or the time to mark is over. */
    private function isDue(): bool
    {
        $version = (int) DB::scalar('PRAGMA data_version');
        $due = $version !== $this->seen || ! $this->begun || ($this->markedUntil !== null && Clock::steady() >= $this->markedUntil);
        $this->seen = $version;

        return $due;
    }

    private function look(): void
    {
        $this->seen = null;
    }

    private function forget(): void
    {
        $this->search = null;
        $this->asked = null;
        $this->markedUntil = null;
        $this->begun = true;
    }

    private function drive(Run $run, RunStep $step): bool
    {
        if (! $this->begun) {
            // Left by a process that ended: nobody waits for what it had asked.
            $this->forget();
            $step->state === StepState::Aiming && $step->update(['state' => StepState::Open, 'attempt' => $step->attempt + 1]);
        }
        if ($this->asked !== null && ! str_starts_with($this->asked, $step->key(''))) {
            $this->asked = null;
            $this->search = null;
            $this->markedUntil = null;
        }
        self::requireMode($run);

        return match ($step->state) {
            StepState::Open => $this->aim($run, $step),
            StepState::Aiming => false,
            StepState::Marking => $this->hold($run, $step),
            StepState::Measuring => $this->measure($run, $step),
            default => $this->next($run),
        };
    }

    /** The plate may have been switched while the run was under way. */
    private static function requireMode(Run $run): void
    {
        $dot = SetupDrafts::of(self::project($run))->dot;
        if ($dot !== ($run->settings()->mode === RunMode::Dot)) {
            throw new \DomainException($dot ? 'The red dot was chosen on the plate. Choose the prism to go on.' : 'The prism was chosen on the plate. Choose the red dot to go on.');
        }
    }

    private function aim(Run $run, RunStep $step): bool
    {
        $step->update(['state' => StepState::Aiming, 'why' => '']);
        $project = self::project($run);
        if ($run->settings()->mode === RunMode::Prism) {
            $this->asked = $step->key('turn');
            $this->tell->turn($project, new TurnOrder($this->asked, pointId: $step->point_id, aimId: $step->aim_id, keepLock: true));
        } else {
            $this->search = $this->begin($run, $step, $project);
            $this->shoot($run, $step, $project);
        }
        $project->measured();

        return true;
    }

    private function begin(Run $run, RunStep $step, Project $project): DotSearch
    {
        if ($this->floorOf !== $run->id) {
            [$this->floor, $this->floorOf] = [null, $run->id];
        }

        return (new DotStep($project, $run->settings(), $step))->search($this->floor);
    }

    private function shoot(Run $run, RunStep $step, Project $project): void
    {
        $search = $this->search ?? throw new \LogicException('It was begun.');
        $this->asked = $step->key('dot-'.($search->tries + 1));
        $this->tell->dot($project, $this->asked, $search->aim(), $run->settings()->wait);
    }

    /** The run that an instruction was told for, as it stands now; null where it was told for something else. */
    private function asking(QueuedInstruction $instruction): ?Run
    {
        return $instruction->key === $this->asked ? $this->run?->refresh() : null;
    }

    /** The step that the instrument was told for: a person may have gone on since. */
    private function placeAsked(): int
    {
        return (int) (explode('-', (string) $this->asked)[2] ?? -1);
    }

    /** The dot has hit something: it is there, or is aimed again from the hit. */
    public function hit(QueuedInstruction $instruction, ?RawReading $raw): bool
    {
        $run = $this->asking($instruction);
        $step = $run?->current();
        // Paused, skipped or stopped meanwhile: nobody waits for this dot any more.
        if ($run?->state !== RunState::Running || $step?->state !== StepState::Aiming) {
            return false;
        }
        $project = self::project($run);
        if ($raw === null || $this->search === null) {
            // The instrument has turned to the prism’s place.
            $this->mark($run, $step, $project);

            return false;
        }
        $this->search = $this->search->hits(self::located($project, $raw));
        $miss = $this->search->miss();
        $step->fill(['tries' => $this->search->tries, 'miss' => $miss === null ? null : get_object_vars($miss)]);
        if ($this->search->isThere()) {
            $this->floor = $run->settings()->on === MarkedOn::Slab ? $this->search->hit : $this->floor;
            $this->mark($run, $step, $project);

            return false;
        }
        if ($this->search->isDoubted() || $this->search->isBlocked() || $this->search->isUsedUp()) {
            $this->skip($run, $step, match (true) {
                $this->search->isDoubted() => sprintf(
                    'hit %s %s where the floor can be: a mirroring floor, or a hole', $project->length_style->format(abs($this->search->leap)), $this->search->leap < 0.0 ? 'below' : 'above',
                ),
                $this->search->isBlocked() => 'blocked',
                default => 'tries used up',
            }, $project);

            return false;
        }
        $step->save();
        $this->shoot($run, $step, $project);

        return true;
    }

    /** It holds still for marking. */
    private function mark(Run $run, RunStep $step, Project $project): void
    {
        $seconds = $run->settings()->markSeconds;
        $step->fill(['state' => $seconds === 0.0 ? StepState::Measuring : StepState::Marking])->save();
        $this->markedUntil = $seconds === null ? null : Clock::steady() + $seconds;
        $project->measured();
        $this->look();
    }

    private function hold(Run $run, RunStep $step): bool
    {
        $seconds = $run->settings()->markSeconds;
        if ($seconds === null) {
            return false;
        }
        $this->markedUntil ??= Clock::steady() + $seconds;
        if (Clock::steady() < $this->markedUntil) {
            return false;
        }
        $this->markedUntil = null;
        $step->update(['state' => StepState::Measuring]);

        return $this->measure($run, $step);
    }

    private function measure(Run $run, RunStep $step): bool
    {
        $this->markedUntil = null;
        if ($this->asked === $step->key('mark')) {
            return false;
        }
        $project = self::project($run);
        $stored = self::storedFor($step);
        if ($stored !== null) {
            return $this->stored($run, $step, $stored, $project);
        }
        // Under a name of its own where the one before was refused when the link was lost.
        if (QueuedInstruction::query()->where('key', $step->key('mark'))->exists()) {
            $step->update(['attempt' => $step->attempt + 1]);
        }
        $this->asked = $step->key('mark');
        $s = $run->settings();
        $this->tell->measure($project, new MeasureOrder(
            key: $this->asked,
            purpose: Purpose::Stake,
            pointId: $step->point_id,
            aimId: $step->aim_id,
            aimVersion: $step->aim_version,
            mark: new MarkWanted(
                evenOut: true,
                evenMoved: true,
                withoutCheck: $s->withoutCheck,
                dot: $s->mode === RunMode::Prism ? null : (new DotStep($project, $s, $step))->marked(),
            ),
        ));

        return true;
    }

    /** What was measured for the run, and was or was not stored as a mark. */
    public function measured(QueuedInstruction $instruction): void
    {
        $run = $this->asking($instruction);
        $step = $run?->steps()->where('place', $this->placeAsked())->first();
        $mark = $instruction->mark_id === null ? null : Mark::query()->find($instruction->mark_id);
        if ($run === null || $step === null) {
            return;
        }
        if ($mark === null) {
            $this->pause($run, $instruction->asks['message'] ?? 'It was measured, and not stored.');

            return;
        }
        $this->stored($run, $step, $mark, self::project($run));
    }

    private function stored(Run $run, RunStep $step, Mark $mark, Project $project): bool
    {
        DB::transaction(static function () use ($run, $step, $mark): void {
            $step->update(['state' => $mark->verdict === 'out' ? StepState::Out : StepState::Stored, 'mark_id' => $mark->id, 'why' => '']);
            $run->update(['place' => max($run->place, $step->place + 1)]);
        });
        $this->asked = null;
        $this->search = null;
        $project->measured();
        $this->look();

        return false;
    }

    /** A mark that an earlier process had stored for this step before it could say so. */
    private static function storedFor(RunStep $step): ?Mark
    {
        return Mark::query()->where('key', $step->key('mark').'-mark')->first();
    }

    /** @return bool whether the instrument was told something else instead */
    public function refused(QueuedInstruction $instruction, Refusal $why): bool
    {
        $run = $this->asking($instruction);
        $step = $run?->current();
        if ($run === null) {
            return false;
        }
        $this->asked = null;
        if ($run->state !== RunState::Running || $step === null) {
            return false;
        }
        if ($why === Refusal::NoReturn && $this->search !== null && $step->state === StepState::Aiming) {
            $this->search = $this->search->noReturn();
            if (! $this->search->isDull() && ! $this->search->isUsedUp()) {
                $this->shoot($run, $step, self::project($run));

                return true;
            }
        }
        $skipped = [
            Refusal::NoReturn->value => 'no return', Refusal::SightBlocked->value => 'blocked', Refusal::OutOfRange->value => 'out of range',
        ][$why->value] ?? null;
        if ($skipped !== null && $run->settings()->mode === RunMode::Dot) {
            $this->skip($run, $step, $skipped, self::project($run));

            return false;
        }
        // Begun anew when it goes on.
        $step->update(['state' => StepState::Open, 'attempt' => $step->attempt + 1]);
        $why === Refusal::Cancelled ? $this->pause($run, 'It was cancelled.') : $this->pause($run, $why->sentence());

        return false;
    }

    /** The link is gone: what was asked is not answered any more, and is asked anew when it is back. */
    public function lost(): void
    {
        $this->begun = false;
        $this->asked = null;
        $this->look();
    }

    private function skip(Run $run, RunStep $step, string $why, Project $project): void
    {
        DB::transaction(static function () use ($run, $step, $why): void {
            $step->fill(['state' => StepState::Skipped, 'why' => $why])->save();
            $run->update(['place' => $step->place + 1]);
        });
        $this->asked = null;
        $this->search = null;
        $project->measured();
        $this->look();
    }

    private function next(Run $run): bool
    {
        $run->update(['place' => $run->place + 1]);
        $this->look();

        return false;
    }

    private function end(Run $run): bool
    {
        $run->update(['state' => RunState::Ended]);
        self::project($run)->measured();
        $this->forget();

        return false;
    }

    private function pause(Run $run, string $why): void
    {
        $run->update(['state' => RunState::Paused, 'why' => $why]);
        self::project($run)->measured();
        $this->asked = null;
        $this->search = null;
    }

    private static function project(Run $run): Project
    {
        return Project::query()->findOrFail($run->project_id);
    }

    private static function located(Project $project, RawReading $raw): Position
    {
        $draft = SetupDrafts::of($project);

        return DotStep::station($project)->locate(Sight::reduce($raw, $draft->air(), $draft->target(), $draft->scale));
    }
}
