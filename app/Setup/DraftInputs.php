<?php

declare(strict_types=1);

namespace App\Setup;

use App\Actions\SetupDrafts;
use App\Http\Bodies\DraftBody;
use App\Http\Bodies\DraftShotBody;
use App\Http\Bodies\DraftSightBody;
use App\Models\ControlPoint;
use App\Models\Instrument;
use App\Models\Observation;
use App\Models\Project;
use App\Models\Setup;
use Illuminate\Support\Collection;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Rounds;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Setup\ControlSight;
use Parlay\Core\Setup\LineShot;
use Parlay\Core\Setup\SiteLine;

/** All that a draft speaks of, read from the database once. */
final readonly class DraftInputs
{
    /**
     * @param  Collection<int, ControlPoint>  $control  by id
     * @param  Collection<int, Observation>  $observations  by id
     */
    private function __construct(
        public Project $project,
        public DraftBody $draft,
        public Collection $control,
        public Collection $observations,
        public ?Setup $current,
        public ?Instrument $instrument,
        private ?Accuracy $stated = null,
    ) {}

    public static function of(Project $project, DraftBody $draft): self
    {
        $ids = [
            ...array_merge(...array_map(static fn (DraftSightBody $s) => [$s->observationId, ...$s->more], $draft->sights)),
            ...array_map(static fn (DraftShotBody $s) => $s->observationId, $draft->shots),
        ];

        return new self(
            $project, $draft, $project->controlPoints()->get()->keyBy('id'),
            $ids === [] ? new Collection : $project->observations()->whereIn('id', $ids)->get()->keyBy('id'),
            $project->currentSetup()->first(),
            $draft->instrumentId === null ? null : Instrument::query()->where('project_id', $project->id)->find($draft->instrumentId),
        );
    }

    /** A setup as it was accepted, with control and targets as they are known now; null for setups of earlier versions, of which too little is kept. */
    public static function ofSetup(Project $project, Setup $setup): ?self
    {
        if ($setup->draft === null) {
            return null;
        }
        $in = self::of($project, SetupDrafts::read($setup->draft));
        $base = $setup->base_id === null ? null : $project->setups()->find($setup->base_id);
        $base = $base === null ? null : $project->setups()->whereRaw('coalesce(stands_for, id) = ?', [$base->root()])->orderByDesc('id')->first();
        // It can't have rested on the station point that it made itself.
        $control = $in->control->reject(static fn (ControlPoint $c) => $c->isStationOf($setup));

        return new self($project, $in->draft, $control, $in->observations, $base, $in->instrument, $setup->accuracy === null ? null : Accuracy::of($setup->accuracy));
    }

    /** As it was when the setup was accepted; as the chosen instrument states it, or else as the instrument itself said when it measured. */
    public function accuracy(): Accuracy
    {
        return $this->stated ?? $this->instrument?->accuracy() ?? $this->observations->last()?->accuracy() ?? Accuracy::stated(2, 1, 1.5);
    }

    /** @return list<ControlSight> */
    public function sights(): array
    {
        $sights = [];
        foreach ($this->draft->sights as $s) {
            $mark = $this->control->get($s->controlId);
            $observation = $this->observations->get($s->observationId);
            if ($mark !== null && $observation !== null) {
                $mean = $this->mean($s, $observation);
                $sights[] = new ControlSight($mark->name, $mark->position(), $mean->sight, $s->plan, $s->height, $s->direction, $s->distance, $mark->planError(), $mark->heightError(), $mean->angles);
            }
        }

        return $sights;
    }

    /** All rounds of a sight made into one; each reading of the link is a mean of two faces already, or of one where that was said. */
    public function mean(DraftSightBody $s, Observation $first): SightMean
    {
        $more = array_values(array_filter(array_map(fn (int $id) => $this->observations->get($id), $s->more)));
        $all = [$first, ...$more];
        $rounds = Rounds::of(array_map(static fn (Observation $o) => $o->raw(), $all));

        return new SightMean(
            Sight::reduce($rounds->mean, $first->air(), $first->target(), $first->scale), $first->angles / sqrt(count($all)), $rounds->spread,
        );
    }

    /** @return list<LineShot> */
    public function lineShots(): array
    {
        $lines = [];
        foreach ($this->draft->lines as $l) {
            $lines[$l->name] = new SiteLine($l->name, new Position($l->northing1, $l->easting1), new Position($l->northing2, $l->easting2), $l->offset);
        }
        $shots = [];
        foreach ($this->draft->shots as $s) {
            $observation = $this->observations->get($s->observationId);
            if ($observation !== null && isset($lines[$s->line])) {
                $shots[] = new LineShot($lines[$s->line], $observation->sight(), $s->used);
            }
        }

        return $shots;
    }

    /** @return list<Sight> of marks that are no control, in the order measured */
    public function otherSights(): array
    {
        return array_values(array_filter(array_map(fn (DraftShotBody $s) => $s->used ? $this->observations->get($s->observationId)?->sight() : null, $this->draft->shots)));
    }

    /** @return array<string, Position> all control, by name */
    public function positions(): array
    {
        return $this->control->mapWithKeys(static fn (ControlPoint $c) => [$c->name => $c->position()])->all();
    }
}
