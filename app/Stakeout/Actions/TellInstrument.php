<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Control\Models\ControlPoint;
use App\Instrument\LiveState;
use App\Instrument\Models\QueuedInstruction;
use App\Instrument\Purpose;
use App\KeyTaken;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Setups\Actions\SetupDrafts;
use App\Setups\Actions\SolveSetup;
use App\Setups\Conditions;
use App\Setups\DraftInputs;
use App\Setups\DraftReadings;
use App\Setups\Models\Setup;
use App\Stakeout\LiveView;
use App\Stakeout\MarkOnArrival;
use App\Stakeout\MeasureOrder;
use App\Stakeout\Models\KeptAim;
use App\Stakeout\TurnOrder;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Instruction;
use Parlay\Core\Instrument\Refusal;
use Parlay\Core\Instrument\Station;

/** Hands an instruction to the process that holds the instrument's link; what becomes of it is read from the live state. */
final class TellInstrument
{
    /** A design farther above or below the pole than this is no height to look for the prism at, metres. */
    private const FAR_ABOVE = 1.0;

    /** Seconds to wait for a return. */
    private const DOT_WAITS = 3.0;

    /** Turns to a control point or a stakeout point. Before any setup only the stand point and the draft say where that is. */
    public function turn(Project $project, TurnOrder $body): QueuedInstruction
    {
        $asked = ['control point' => $body->controlId, 'point' => $body->pointId, 'target' => $body->aimId];
        $place = match (true) {
            $body->controlId !== null => ControlPoint::of($project)->findOrFail($body->controlId)->position(),
            $body->aimId !== null => KeptAim::query()->where('project_id', $project->id)->findOrFail($body->aimId)->place()
                ?? throw new \DomainException('An elevation lies in no direction: the instrument stays where it looks.'),
            default => StakeoutPoint::of($project)->findOrFail($body->pointId)->position(),
        };
        $current = Setup::current($project)->first();
        $holding = $current?->holds() === true ? $current->station() : null;
        // To control, a setup being made knows better where the instrument stands now; what is staked hangs on the setup that holds,
        // whatever was begun since.
        $station = $body->controlId !== null ? $this->stationOfDraft($project) ?? $holding : $holding ?? $this->stationOfDraft($project);
        if ($station === null) {
            throw new \DomainException(
                'The instrument does not know yet where it stands, so it can’t turn by itself. Turn it by hand to the first two '
                    .'control points; after that it finds the others.',
            );
        }
        $draft = SetupDrafts::of($project);
        if ($draft->dot) {
            $at = $station->aimAt($place, 0.0);

            return $this->queue($project, $body->key, Instruction::dot($at['circle'], $at['zenith'], self::DOT_WAITS), null, $asked);
        }
        // Whoever carries the prism is led from where they stand: turned away, the instrument would have to find it again at each target.
        if ($body->keepLock && (LiveState::read()->status['locked'] ?? false) === true) {
            return $this->queue($project, $body->key, Instruction::track(true), null, $asked);
        }
        // Whoever turns to a point wants to be led to it.
        $this->queue($project, $body->key.'-track', Instruction::track(true), null);
        $at = $station->aimAt(self::atPoleHeight($place, LiveView::poleOf($project)), $draft->targetHeight);

        return $this->queue($project, $body->key, Instruction::turn($at['circle'], $at['zenith']), null, $asked);
    }

    /** Anchors of a ceiling are marked on the slab: the instrument looks where the pole is, or it would not find the prism. */
    private static function atPoleHeight(Position $place, ?Position $pole): Position
    {
        $far = $pole?->elevation !== null && $place->elevation !== null && abs($place->elevation - $pole->elevation) > self::FAR_ABOVE;

        return $far ? $place->at($pole->elevation) : $place;
    }

    public function measure(Project $project, MeasureOrder $body): QueuedInstruction
    {
        $draft = SetupDrafts::of($project);
        $sighted = match (true) {
            $body->controlId !== null => ControlPoint::of($project)->findOrFail($body->controlId)->name,
            // What was built has a name of its own, whatever it is held against.
            $body->purpose === Purpose::AsBuilt && trim($body->sighted) !== '' => PointName::checked($body->sighted),
            $body->pointId !== null => StakeoutPoint::of($project)->findOrFail($body->pointId)->name,
            $body->aimId !== null => KeptAim::query()->where('project_id', $project->id)->findOrFail($body->aimId)->name,
            default => mb_substr(trim($body->sighted), 0, 120),
        };
        $setup = Setup::current($project)->first();
        if ($body->purpose !== Purpose::Setup) {
            self::requireSetup($setup, $body->purpose === Purpose::Check);
        }
        $this->applySettings($project, $draft->air()->ppm(), $draft->target()->prismConstant);
        if (! $draft->dot && ($body->purpose === Purpose::Setup || $body->purpose === Purpose::Check)) {
            // At control the instrument may still look elsewhere; at a stake it is being followed already.
            $this->queue($project, $body->key.'-search', Instruction::search(), null);
        }

        return $this->queue($project, $body->key, Instruction::measure($draft->dot), [
            'projectId' => $project->id, 'purpose' => $body->purpose->value, 'sighted' => $sighted,
            'setupId' => $body->purpose === Purpose::Setup ? null : $setup?->id,
            ...Conditions::of($project, $draft), 'keepIn' => DraftReadings::wanted($project, $draft, $body->keepIn, $body->controlId, $body->sighted),
            'mark' => MarkOnArrival::wish($body),
        ], [
            'purpose' => $body->purpose->value, 'control point' => $body->controlId, 'point' => $body->pointId, 'target' => $body->aimId,
            'name' => $body->sighted, 'use' => $body->keepIn?->value, 'mark' => $body->mark === null ? null : get_object_vars($body->mark),
        ]);
    }

    /** Points the red dot and measures what it hits; nothing of it is stored. */
    public function dot(Project $project, string $key, Position $at, float $wait): QueuedInstruction
    {
        $setup = Setup::current($project)->first();
        self::requireSetup($setup);
        $aim = $setup->station()->aimAt($at, 0.0);
        $this->applySettings($project, SetupDrafts::of($project)->air()->ppm(), 0.0);

        return $this->queue($project, $key, Instruction::dot($aim['circle'], $aim['zenith'], $wait), null);
    }

    public function track(Project $project, string $key, bool $on): QueuedInstruction
    {
        return $this->queue($project, $key, Instruction::track($on), null);
    }

    public function search(Project $project, string $key): QueuedInstruction
    {
        return $this->queue($project, $key, Instruction::search(), null);
    }

    /**
     * Ends what is under way, and what still waits behind it: a measurement looks for the prism first, and must not go on when that is
     * cancelled.
     */
    public function cancel(Project $project, string $key): QueuedInstruction
    {
        QueuedInstruction::query()->where('state', 'queued')->update(['state' => 'refused', 'why' => Refusal::Cancelled->sentence()]);

        return $this->queue($project, $key, Instruction::cancel(), null);
    }

    /** The instrument shows what it is told to apply; core takes it out again and applies its own. */
    private function applySettings(Project $project, float $ppm, float $prismConstant): void
    {
        $this->queue($project, 'settings-'.bin2hex(random_bytes(8)), Instruction::settings($ppm, $prismConstant), null);
    }

    /**
     * @param  bool  $proves  a check is how a setup that came in with a packed project is proven
     *
     * @phpstan-assert Setup $setup
     */
    private static function requireSetup(?Setup $setup, bool $proves = false): void
    {
        if ($setup === null) {
            throw new \DomainException('Set up the instrument first: without a setup a reading has no place.');
        }
        if (! ($proves && $setup->isUnproven())) {
            $setup->requireHolding();
        }
        $linked = (string) (LiveState::read()->status['serial'] ?? '');
        if ($setup->serial !== '' && $linked !== '' && $linked !== $setup->serial) {
            throw new \DomainException(
                "This setup was made with instrument {$setup->serial}, and {$linked} is linked. Link that one, or set up anew with this one.",
            );
        }
    }

    /** Two used sights of the draft are enough to turn to the third. */
    private function stationOfDraft(Project $project): ?Station
    {
        try {
            $found = app(SolveSetup::class)(DraftInputs::of($project, SetupDrafts::of($project)))->solution();

            return $found->isOriented() ? $found->station : null;
        } catch (\DomainException) {
            return null;
        }
    }

    /**
     * @param  array<string, mixed>|null  $purpose
     * @param  array<string, mixed>  $asked  what was wished, by a word for each part: the same key carries no other wish
     */
    private function queue(Project $project, string $key, Instruction $instruction, ?array $purpose, array $asked = []): QueuedInstruction
    {
        KeyTaken::checked($key);
        if (LiveState::read()->link() !== 'up') {
            throw new \DomainException('The instrument can’t be reached just now. The link is being sought again by itself.');
        }

        $queued = DB::connection('live')->transaction(fn () => QueuedInstruction::query()->firstOrCreate(
            ['key' => $key],
            [
                'project_id' => $project->id, 'kind' => $instruction->kind->value, 'content' => $instruction->values,
                'purpose' => $purpose, 'asked' => $asked, 'state' => 'queued',
            ],
        ));
        if (! $queued->wasRecentlyCreated) {
            KeyTaken::unlessSame(
                'instruction', ['project' => $queued->project_id, 'kind' => $queued->kind] + ($queued->asked ?? []),
                ['project' => $project->id, 'kind' => $instruction->kind->value] + $asked,
            );
        }

        return $queued;
    }
}
