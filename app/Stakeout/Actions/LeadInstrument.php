<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Clock;
use App\Instrument\Device;
use App\Instrument\Lead;
use App\NeedsConfirmation;
use App\Stakeout\LeadDeed;
use App\Stakeout\Models\Run;
use App\Stakeout\RunState;

/** Whoever gives the instrument its first order leads it; another device asks first, so that none turns it away under another. */
final class LeadInstrument
{
    /**
     * Before an order: this device leads, or it is refused. Scripts say no device, and are not asked.
     *
     * @throws NeedsConfirmation where another leads
     */
    public static function claim(Device $device): void
    {
        if ($device->isNone()) {
            return;
        }
        $lead = Lead::read();
        if ($lead !== null && $lead->isOf($device)) {
            return;
        }
        $lead = Lead::change(static function (?Lead $l) use ($device): Lead {
            if ($l === null || ($l->silent() >= Lead::GONE && ! Run::query()->where('state', RunState::Running)->exists())) {
                return Lead::of($device);
            }

            return $l;
        });
        $lead->isOf($device) || throw self::another($lead);
    }

    public function __invoke(Device $device, LeadDeed $deed): Lead
    {
        if ($device->isNone()) {
            throw new \DomainException('Say which device leads: the header Parlay-Device carries a key that it made for itself.');
        }
        $before = Lead::read();
        $lead = Lead::change(static fn (?Lead $l): Lead => $l === null ? Lead::of($device) : match ($deed) {
            LeadDeed::Ask => self::asked($l, $device),
            LeadDeed::Give => self::given($l, $device),
            LeadDeed::Keep => self::own($l, $device)->with(['askedBy' => null, 'askedAt' => null, 'keptFrom' => $l->askedBy]),
            LeadDeed::Leave => $l->isOf($device) ? $l->with(['heardAt' => Clock::steady() - Lead::GONE]) : $l,
            LeadDeed::Take => $l->mayBeTaken($device) ? Lead::of($device) : throw self::another($l),
        });
        if ($before !== null && $before->device !== $lead->device) {
            self::pauseRunsOfOthers($lead);
        }

        return $lead;
    }

    private static function asked(Lead $lead, Device $by): Lead
    {
        $asker = $lead->asker();
        if ($lead->isOf($by) || $asker === $by->id) {
            return $lead;
        }
        if ($asker !== null) {
            throw new \DomainException("{$lead->askedName} asks for the instrument already. Wait for the answer.");
        }

        return $lead->with(['askedBy' => $by->id, 'askedName' => $by->name, 'askedAt' => Clock::steady(), 'keptFrom' => null]);
    }

    private static function given(Lead $lead, Device $by): Lead
    {
        $to = self::own($lead, $by)->asker() ?? throw new \DomainException('Nobody asks for the instrument any more: it stays yours.');

        return Lead::of(new Device($to, $lead->askedName));
    }

    private static function own(Lead $lead, Device $by): Lead
    {
        return $lead->isOf($by) ? $lead : throw self::another($lead);
    }

    /** A run turns the instrument by itself: it waits until its own device leads again, or another takes the run over. */
    private static function pauseRunsOfOthers(Lead $lead): void
    {
        foreach (Run::query()->where('state', RunState::Running)->where('leader', '<>', $lead->device)->with('project')->get() as $run) {
            $run->update(['state' => RunState::Paused, 'why' => "{$lead->name} leads the instrument now."]);
            $run->project?->measured();
        }
    }

    private static function another(Lead $lead): NeedsConfirmation
    {
        return new NeedsConfirmation(
            "{$lead->name} leads the instrument: it would turn away from whoever works with it there. Ask for it at the top of the page.",
            'led', ['name' => $lead->name, 'silent' => round($lead->silent(), 1)],
        );
    }
}
