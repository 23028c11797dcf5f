<?php

declare(strict_types=1);

namespace App\Stakeout\Actions;

use App\Civil\Models\SurfaceBuild;
use App\Clock;
use App\Control\Models\ControlPoint;
use App\Instrument\Models\Observation;
use App\Instrument\Purpose;
use App\KeyTaken;
use App\NeedsConfirmation;
use App\Points\Models\Code;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Setups\Models\Setup;
use App\Stakeout\Against;
use App\Stakeout\CheckShots;
use App\Stakeout\MarkSpread;
use App\Stakeout\MarkToStore;
use App\Stakeout\MeasuredBy;
use App\Stakeout\Models\KeptAim;
use App\Stakeout\Models\Mark;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Judged;
use Parlay\Core\Stakeout\OffsetShot;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Core\Stakeout\Verdict;

/** Writes a stake, an as-built shot or a check into the field book: once for a key, however often it is sent. */
final class StoreMark
{
    public function __invoke(Project $project, MarkToStore $body): Mark
    {
        $stored = Mark::query()->where('project_id', $project->id)->where('key', $body->key)->first();
        if ($stored !== null) {
            return self::sameWish($stored, $body);
        }
        $setup = Setup::current($project)->first() ?? throw new \DomainException('Set up the instrument first.');
        $observation = Observation::query()->where('project_id', $project->id)->find($body->observationId)
            ?? throw new \DomainException('That measurement is not in the field book. Measure again.');
        if ($observation->setup_id !== $setup->id && Setup::query()->find($observation->setup_id)?->root() !== $setup->root()) {
            throw new \DomainException('That measurement was taken under an earlier setup. Measure again.');
        }
        $against = $this->against($project, $body)?->markedBy($body->dot);
        self::refuseOthersReading($observation, $body, (string) $against?->name);
        $by = $this->measuredBy($project, $body, $setup, $observation);
        $found = $by->place($setup->station());
        $design = $against?->aim->designedAt($found)->place;
        $deviation = $design === null ? null : Deviation::between($design, $found);
        $code = $body->code !== '' ? $body->code : (string) $against?->code;
        $tolerance = self::toleranceOf($project, $code, $against);
        $judged = $against?->judges($body->judged, Code::judgedOf($project, $code)) ?? Judged::PlanAndHeight;
        $told = $body->kind === Purpose::Stake && $against?->isGrade() === true && $against->gradeTolerance() === null;
        $verdict = $told ? Verdict::Undecided : $deviation?->verdict($tolerance, $judged) ?? Verdict::Undecided;
        $this->ask($project, $body, $setup, $deviation, $verdict, $tolerance, $judged);
        $this->askMoved($project, $body, $against?->issuedAt($found), $design, $tolerance);

        return DB::transaction(fn () => $this->write($project, $body, [
            'setup_id' => $setup->id, 'observation_id' => $observation->id, 'code' => $code,
            'northing' => $found->northing, 'easting' => $found->easting, 'elevation' => $found->elevation,
            'plan_tolerance' => $tolerance->plan, 'height_tolerance' => $tolerance->height, 'above_tolerance' => $tolerance->above,
            'verdict' => $verdict->value, 'judged' => $judged, 'left_so' => $body->leftSo && $verdict === Verdict::Out,
            'shot_offset' => self::offsetOf($body) === null ? null : (array) self::offsetOf($body), 'found_from' => $body->foundFrom?->kept(),
        ] + self::withSpread($setup, $by, $against?->columns($found) ?? []), $against));
    }

    /**
     * @param  array<string, mixed>  $columns  of what it was measured against
     * @return array<string, mixed>
     */
    private static function withSpread(Setup $setup, MeasuredBy $by, array $columns): array
    {
        $mark = new Mark($columns);
        $spread = MarkSpread::of($setup, $by, $mark->design(), $mark->aimed());

        return $columns + ['spread' => $spread === null ? null : (array) $spread];
    }

    /** From its reading alone, or from several: all of one name, taken as built under this setup, and of no other mark. */
    private function measuredBy(Project $project, MarkToStore $body, Setup $setup, Observation $last): MeasuredBy
    {
        if ($body->foundFrom === null) {
            return MeasuredBy::prism($last, self::offsetOf($body));
        }
        if ($body->kind !== Purpose::AsBuilt || self::offsetOf($body) !== null) {
            throw new \DomainException('Only what is built is found from several shots, and none of them beside the prism.');
        }
        $before = Observation::query()->where('project_id', $project->id)->whereIntegerInRaw('id', $body->foundFrom->more)->get()->keyBy('id');
        $readings = array_map(static fn (int $id): ?Observation => $before->get($id), $body->foundFrom->more);
        $setups = Setup::query()->whereIntegerInRaw('id', $before->pluck('setup_id')->filter())->get()->keyBy('id');
        foreach ($readings as $k => $o) {
            $fits = $o !== null && $o->purpose === $last->purpose && $o->sighted === $last->sighted && $o->id < $last->id && $setups->get($o->setup_id)?->root() === $setup->root()
                && count(array_keys($body->foundFrom->more, $o->id, true)) === 1;
            if (! $fits) {
                throw new \DomainException('Shot '.($k + 1).' is not one that was taken for this under this setup. Begin with the first shot again.');
            }
        }
        if (Mark::query()->where('project_id', $project->id)->whereIntegerInRaw('observation_id', $body->foundFrom->more)->exists()) {
            throw new \DomainException('One of these shots is a mark of its own already. Begin with the first shot again.');
        }

        return MeasuredBy::shots($body->foundFrom->shot, [...array_filter($readings), $last]);
    }

    /** A stake stands where its prism stood, and so does a check. */
    private static function offsetOf(MarkToStore $body): ?OffsetShot
    {
        if ($body->offset === null || $body->offset->isNone()) {
            return null;
        }

        return $body->kind === Purpose::AsBuilt ? $body->offset : throw new \DomainException('Only what is built is measured beside the prism. Measure it as built.');
    }

    private static function toleranceOf(Project $project, string $code, ?Against $against): Tolerance
    {
        return Code::toleranceOf($project, $code)->ofGrade($against?->gradeTolerance());
    }

    /** A lost answer is asked for again and given again; another wish under the same key is none of that. */
    private static function sameWish(Mark $stored, MarkToStore $body): Mark
    {
        // What was not said came from what it was measured against.
        $name = trim($body->name) === '' ? [] : ['name' => PointName::checked($body->name)];
        KeyTaken::unlessSame('mark', [
            'kind' => $stored->kind, 'reading' => $stored->observation_id,
            'point' => $stored->point_id, 'control point' => $stored->control_id, 'name' => $stored->name,
            'target' => $stored->aim_key, 'offset' => (array) $stored->offsetShot(), 'shots' => $stored->foundFrom()?->kept(),
        ], [
            'kind' => $body->kind->value, 'reading' => $body->observationId,
            'point' => $body->kind === Purpose::Check ? null : $body->pointId,
            'target' => $body->aimId === null ? '' : (string) KeptAim::query()->where('project_id', $stored->project_id)->whereKey($body->aimId)->value('key'),
            'offset' => (array) self::offsetOf($body), 'shots' => $body->foundFrom?->kept(),
        ]
            + ($stored->control_id === null ? [] : ['control point' => $body->controlId]) + $name);

        return $stored;
    }

    /** A reading that was booked for one thing is no evidence for another. */
    private static function refuseOthersReading(Observation $observation, MarkToStore $body, string $against): void
    {
        if ($observation->purpose !== $body->kind->value) {
            throw new \DomainException(
                'That reading was taken for something else ('.str_replace('_', '-', $observation->purpose).'). Measure again.',
            );
        }
        if ($observation->sighted !== '' && ! in_array($observation->sighted, [$against, trim($body->name)], true)) {
            throw new \DomainException(
                "That reading was taken for “{$observation->sighted}”. Measure again under the name it is to be stored under.",
            );
        }
    }

    /** @param  array<string, mixed>  $columns */
    private function write(Project $project, MarkToStore $body, array $columns, ?Against $against): Mark
    {
        $mark = Mark::query()->firstOrCreate(['project_id' => $project->id, 'key' => $body->key], [
            'at' => Clock::stamp(), 'kind' => $body->kind->value,
            'name' => trim($body->name) !== '' ? PointName::checked($body->name) : (string) $against?->markName($project),
            'note' => mb_substr(trim($body->note), 0, 500), 'computed_by' => config()->string('parlay.version'),
        ] + $columns);
        if ($body->kind === Purpose::Check) {
            CheckShots::prove($project, $mark);
        }
        if ($body->kind === Purpose::AsBuilt) {
            SurfaceBuild::take($project->id, $mark->id, new Position($mark->northing, $mark->easting, $mark->elevation));
        }
        $project->measured();

        return $mark;
    }

    private function against(Project $project, MarkToStore $body): ?Against
    {
        if ($body->kind === Purpose::Check) {
            return Against::control(ControlPoint::of($project)->findOrFail($body->controlId));
        }
        if ($body->aimId !== null) {
            return Against::kept(self::unchanged(KeptAim::query()->where('project_id', $project->id)->findOrFail($body->aimId), $body));
        }
        if ($body->kind === Purpose::Stake || $body->pointId !== null) {
            return Against::point(StakeoutPoint::of($project)->findOrFail($body->pointId));
        }
        if (trim($body->name) === '') {
            throw new \DomainException('Give what was built a name, or choose the stakeout point it was built to.');
        }

        return null;
    }

    /** A line that was changed while it was measured is another line. */
    private static function unchanged(KeptAim $aim, MarkToStore $body): KeptAim
    {
        if ($body->aimVersion !== $aim->version) {
            throw new \DomainException(
                "“{$aim->name}” was changed after this was measured; nothing was stored, and the reading is in the field book. Measure again.",
            );
        }

        return $aim;
    }

    /** Marked on a wall that stands beside its design by more than the tolerance: whoever marks it is told before. */
    private function askMoved(Project $project, MarkToStore $body, ?Position $issued, ?Position $marked, Tolerance $tolerance): void
    {
        if ($issued === null || $marked === null || $body->evenMoved || ! Deviation::isBeyond($issued->distanceTo($marked), $tolerance->plan)) {
            return;
        }
        throw new NeedsConfirmation(
            'The wall stands '.$project->length_style->format($issued->distanceTo($marked)).' from the design, more than its tolerance: the mark is made there.',
            'moved_onto_wall', ['moved' => $issued->distanceTo($marked), 'planTolerance' => $tolerance->plan],
        );
    }

    private function ask(
        Project $project,
        MarkToStore $body,
        Setup $setup,
        ?Deviation $deviation,
        Verdict $verdict,
        Tolerance $tolerance,
        Judged $judged,
    ): void {
        if ($body->kind === Purpose::Check) {
            return;
        }
        if (! $body->withoutCheck && ! Mark::query()->where('project_id', $project->id)->where('setup_id', $setup->id)->exists()) {
            throw new NeedsConfirmation(
                'No check shot has been taken since this setup was accepted. Take one on a control point before the first mark.',
                'no_check',
            );
        }
        if ($body->kind === Purpose::Stake && $verdict === Verdict::Out && ! $body->evenOut) {
            throw new NeedsConfirmation('This mark is out of tolerance.', 'out_of_tolerance', [
                'plan' => $deviation?->plan, 'height' => $deviation?->height, 'planTolerance' => $tolerance->plan,
                'heightTolerance' => $tolerance->height, 'aboveTolerance' => $tolerance->above, 'judged' => $judged->value,
            ]);
        }
    }
}
