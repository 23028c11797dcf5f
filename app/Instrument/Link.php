<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Clock;
use App\Instrument\Models\QueuedInstruction;
use Parlay\Core\Instrument\Done;
use Parlay\Core\Instrument\Instruction;
use Parlay\Core\Instrument\InstructionKind;
use Parlay\Core\Instrument\InstrumentReport;
use Parlay\Core\Instrument\InstrumentStatus;
use Parlay\Core\Instrument\LinkLost;
use Parlay\Core\Instrument\Refused;
use Parlay\Core\Instrument\TotalStation;
use Parlay\Core\Instrument\Tracked;

/** The one holder of the instrument's link: passes on what was asked, writes down what is said, comes back when it is lost. */
final class Link
{
    /** Seconds between tries, growing; the last one stays. */
    private const PAUSES = [0.3, 0.6, 1.0, 2.0, 4.0];

    private const TURN = 0.02;

    /** The same where nothing was asked or measured for a while: what the instrument says is heard at once all the same. */
    private const IDLE_TURN = 0.08;

    /** Seconds after which nothing is expected. */
    private const IDLE_AFTER = 3.0;

    private const BEAT = 0.5;

    /** The number of what no one has asked for. */
    private const NOBODY = 0;

    private float $beat = 0.0;

    private float $busyAt = 0.0;

    private ?InstrumentStatus $status = null;

    private int $seenVersion = -1;

    /** @var list<QueuedInstruction> */
    private array $waiting = [];

    /** The job under way. */
    private ?int $job = null;

    private LiveState $state;

    private bool $stopped = false;

    public function __construct(
        private readonly TotalStation $instrument,
        private readonly ReadingsIntoBook $book,
        private readonly TellsByItself $runs,
    ) {
        $this->state = new LiveState;
    }

    public function run(): void
    {
        $alive = LiveState::sign();
        // What the holder before this one saw still counts.
        $this->state = $this->state->with(['levelLostAt' => LiveState::read()->levelLostAt]);
        QueuedInstruction::query()->whereIn('state', ['queued', 'sent'])
            ->update(['state' => 'refused', 'why' => 'The link to the instrument was started anew before this was done. Ask again.']);
        $failures = 0;
        while (! $this->stopped) {
            try {
                $this->instrument->open();
                // What it was doing when the link went, nobody waits for any more; left alone, it would refuse the next instruction as
                // busy.
                $this->instrument->send(self::NOBODY, Instruction::cancel());
                $this->hold();
            } catch (LinkLost) {
                $this->runs->lost();
                $failures = $this->status === null ? $failures : 0;
                $this->instrument->close();
                $this->status = null;
                $this->job = null;
                $this->waiting = [];
                $this->pause(self::PAUSES[min($failures++, count(self::PAUSES) - 1)]);
            }
        }
        $this->instrument->close();
        $this->write(['link' => 'stopped', 'status' => null, 'reading' => null]);
        fclose($alive);
    }

    public function stop(): void
    {
        $this->stopped = true;
    }

    /** @throws LinkLost */
    private function hold(): void
    {
        while (! $this->stopped) {
            if ($this->job === null && $this->status !== null) {
                $this->runs->tick() && $this->lookAgain();
            }
            $this->passOn();
            foreach ($this->instrument->reports($this->turn()) as $report) {
                $this->take($report);
            }
            $this->keepBeating();
        }
    }

    private function turn(): float
    {
        if ($this->job !== null || $this->waiting !== [] || $this->runs->isUnderWay()) {
            $this->busyAt = Clock::steady();
        }

        return Clock::steady() - $this->busyAt > self::IDLE_AFTER ? self::IDLE_TURN : self::TURN;
    }

    /**
     * Gives on what has been asked since: one job at a time, the rest at once.
     *
     * @throws LinkLost
     */
    private function passOn(): void
    {
        foreach ($this->queued() as $queued) {
            $kind = InstructionKind::from($queued->kind);
            if ($kind->isJob() && $this->job !== null) {
                continue;
            }
            $this->instrument->send($queued->id, Instruction::restored($queued->kind, $queued->content));
            if ($kind === InstructionKind::Dot) {
                // Where the dot was before says nothing of where it is going.
                $this->write(['reading' => null]);
            }
            $queued->update(['state' => 'sent']);
            $this->job = $kind->isJob() ? $queued->id : $this->job;
            $this->waiting = array_values(array_filter($this->waiting, static fn (QueuedInstruction $w) => $w->id !== $queued->id));
        }
    }

    /**
     * What waits to be passed on. The database is asked only when another process has written to it.
     *
     * @return list<QueuedInstruction>
     */
    private function queued(): array
    {
        $version = (int) QueuedInstruction::query()->getConnection()->scalar('PRAGMA data_version');
        if ($version !== $this->seenVersion) {
            $this->seenVersion = $version;
            $this->waiting = array_values(QueuedInstruction::query()->where('state', 'queued')->orderBy('id')->get()->all());
        }

        return $this->waiting;
    }

    /** What this process wrote itself does not show in the database’s version. */
    private function lookAgain(): void
    {
        $this->seenVersion = -1;
    }

    private function take(InstrumentReport $report): void
    {
        if ($report instanceof InstrumentStatus) {
            // Somebody who takes the call and says nothing is no instrument: the link is up from its first word on.
            $first = $this->status === null ? ['link' => 'up', 'retryAt' => null] : [];
            if (! $report->level && $this->status?->level !== false) {
                $first['levelLostAt'] = Clock::steady();
            }
            $this->status = $report;
            $this->write($first + ['status' => LiveStatus::toArray($report), 'heardAt' => Clock::steady()]);
        } elseif ($report instanceof Tracked) {
            $this->busyAt = Clock::steady();
            $this->write(['reading' => LiveStatus::reading($report->reading), 'readingAt' => Clock::steady() - $report->age], true);
        } elseif ($report instanceof Refused) {
            $this->endJob($report->number);
            QueuedInstruction::query()->where('id', $report->number)
                ->whereIn('state', ['queued', 'sent'])
                ->update(['state' => 'refused', 'why' => $report->why->sentence()]);
            $refused = QueuedInstruction::query()->find($report->number);
            if ($refused !== null && $this->runs->refused($refused, $report->why)) {
                $this->lookAgain();
            }
        } elseif ($report instanceof Done) {
            $this->finish($report);
        }
    }

    private function endJob(int $number): void
    {
        $this->job = $this->job === $number ? null : $this->job;
    }

    private function finish(Done $done): void
    {
        $this->endJob($done->number);
        $instruction = QueuedInstruction::query()->find($done->number);
        // What was given up when the link went, or by the process before this one, is asked for anew: its answer comes too late, and would be
        // stored beside the other.
        if ($instruction === null || $instruction->state === 'refused') {
            return;
        }
        // A dot that is only being aimed is no measurement on purpose.
        $observation = $done->reading !== null && $instruction->purpose !== null && $this->status !== null
            ? $this->book->keep($instruction, $done->reading, $this->status)
            : null;
        $instruction->update(['state' => 'done', 'observation_id' => $observation?->id]);
        if ($done->reading !== null) {
            $dot = $instruction->kind === InstructionKind::Dot->value || ($instruction->content['dot'] ?? false) === true;
            $this->write(['reading' => LiveStatus::reading($done->reading, $dot), 'readingAt' => Clock::steady()], true);
        }
        $observation === null
            ? $this->runs->hit($instruction, $done->reading) && $this->lookAgain()
            : $this->runs->measured($instruction);
    }

    /** Waits out a lost link, saying so at once and answering what is asked meanwhile. */
    private function pause(float $seconds): void
    {
        $until = Clock::steady() + $seconds;
        $this->write(['link' => 'lost', 'retryAt' => $until, 'status' => null, 'reading' => null]);
        while (! $this->stopped && Clock::steady() < $until) {
            QueuedInstruction::query()->whereIn('state', ['queued', 'sent'])->update(
                ['state' => 'refused', 'why' => 'The link to the instrument is lost. It is being sought again; ask again when it is back.'],
            );
            $this->keepBeating();
            usleep(50_000);
        }
    }

    private function keepBeating(): void
    {
        if (Clock::steady() - $this->beat > self::BEAT) {
            $this->write(['heardAt' => Clock::steady()]);
        }
    }

    /** @param  array<string, mixed>  $values */
    private function write(array $values, bool $newReading = false): void
    {
        $this->beat = Clock::steady();
        $this->state = $this->state->with($values + ['seq' => $this->state->seq + ($newReading || isset($values['link']) ? 1 : 0)]);
        $this->state->write();
    }
}
