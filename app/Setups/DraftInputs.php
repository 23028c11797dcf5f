<?php

declare(strict_types=1);

namespace App\Setups;

use App\Control\Models\ControlPoint;
use App\Instrument\Models\Instrument;
use App\Instrument\Models\Observation;
use App\Projects\Models\Project;
use App\Setups\Actions\SetupDrafts;
use App\Setups\Models\Setup;
use Illuminate\Support\Collection;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Rounds;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\LineShot;
use Parlay\Core\Setups\SiteLine;
use Parlay\Core\Units\Angle;

/** All that a draft speaks of, read from the database once, and each sight reduced once. */
final readonly class DraftInputs
{
    /** @var array<int, SightMean> by the observation of the first round */
    private array $means;

    /** @var list<ControlSight> */
    private array $sights;

    /**
     * @param  Collection<int, ControlPoint>  $control  by id
     * @param  Collection<int, Observation>  $observations  by id
     */
    private function __construct(
        public Project $project,
        public Draft $draft,
        public Collection $control,
        public Collection $observations,
        public ?Setup $current,
        public ?Instrument $instrument,
        private ?Accuracy $stated = null,
    ) {
        $this->means = $this->reduced();
        $this->sights = $this->sightsOfMarks();
    }

    public static function of(Project $project, Draft $draft): self
    {
        [$control, $observations, $instruments] = self::read($project, [$draft]);

        return new self(
            $project, $draft, $control, $observations, Setup::current($project)->first(), $instruments->get((int) $draft->instrumentId),
        );
    }

    /**
     * Setups as they were accepted, with control and targets as they are known now.
     *
     * @param  list<Setup>  $standing  the latest version of each of the project
     * @return array<int, self> by setup; setups of earlier versions, of which too little is kept, are not among them
     */
    public static function ofSetups(Project $project, array $standing): array
    {
        $latest = $drafts = $inputs = [];
        foreach ($standing as $s) {
            $latest[$s->root()] = $s;
            if ($s->draft !== null) {
                $drafts[$s->id] = SetupDrafts::read($s->draft);
            }
        }
        [$control, $observations, $instruments] = self::read($project, $drafts);
        $roots = Setup::of($project)->toBase()->pluck('stands_for', 'id');
        foreach ($standing as $s) {
            if (isset($drafts[$s->id])) {
                $base = $s->base_id === null ? null : $latest[(int) ($roots[$s->base_id] ?? $s->base_id)] ?? null;
                // It can't have rested on the station point that it made itself.
                $others = $control->reject(static fn (ControlPoint $c) => $s->hasStation($c));
                $inputs[$s->id] = new self(
                    $project, $drafts[$s->id], $others, $observations, $base, $instruments->get((int) $drafts[$s->id]->instrumentId),
                    $s->accuracy === null ? null : Accuracy::of($s->accuracy),
                );
            }
        }

        return $inputs;
    }

    /**
     * @param  array<Draft>  $drafts
     * @return array{Collection<int, ControlPoint>, Collection<int, Observation>, Collection<int, Instrument>} each by id
     */
    private static function read(Project $project, array $drafts): array
    {
        $ids = array_merge(...array_map(self::readingsOf(...), array_values($drafts)));
        $instruments = array_map(static fn (Draft $d) => (int) $d->instrumentId, $drafts);

        return [
            ControlPoint::of($project)->get()->keyBy('id'),
            $ids === [] ? new Collection : Observation::of($project)->whereIn('id', $ids)->get()->keyBy('id'),
            Instrument::of($project)->whereIn('id', $instruments)->get()->keyBy('id'),
        ];
    }

    /**
     * As it was when the setup was accepted; as the chosen instrument states it, or else as the instrument itself said when it
     * measured.
     */
    public function accuracy(): Accuracy
    {
        return $this->stated ?? $this->instrument?->accuracy() ?? $this->latest()?->accuracy() ?? Accuracy::stated(2, 1, 1.5);
    }

    /** @return list<ControlSight> */
    public function sights(): array
    {
        return $this->sights;
    }

    /** All rounds of a sight made into one; null where its reading is gone. */
    public function mean(DraftSight $s): ?SightMean
    {
        return $this->means[$s->observationId] ?? null;
    }

    /** @return array<int, SightMean> */
    private function reduced(): array
    {
        $means = [];
        foreach ($this->draft->sights as $s) {
            $first = $this->observations->get($s->observationId);
            if ($first !== null) {
                $means[$s->observationId] = $this->meanOf($s, $first);
            }
        }

        return $means;
    }

    /** Each reading of the link is a mean of two faces already, or of one where that was said. */
    private function meanOf(DraftSight $s, Observation $first): SightMean
    {
        $more = array_values(array_filter(array_map(fn (int $id) => $this->observations->get($id), $s->more)));
        $all = [$first, ...$more];
        $mean = Sight::mean(
            array_map(static fn (Observation $o) => $o->sight(), $all),
            $angles = array_map(static fn (Observation $o) => $o->angles, $all),
        );

        return new SightMean(
            $mean, 1 / sqrt(array_sum(array_map(static fn (float $a) => 1 / $a ** 2, $angles))), min($angles) > 1.0,
            max(array_map(static fn (Observation $o) => abs(Angle::signed($o->raw()->circle - $mean->circle)), $all)),
        );
    }

    /** @return list<ControlSight> */
    private function sightsOfMarks(): array
    {
        $sights = [];
        foreach ($this->draft->sights as $s) {
            $mark = $this->control->get($s->controlId);
            $mean = $this->mean($s);
            if ($mark !== null && $mean !== null) {
                $sights[] = new ControlSight(
                    name: $mark->name,
                    control: $mark->position(),
                    sight: $mean->sight,
                    plan: $s->plan,
                    height: $s->height,
                    direction: $s->direction,
                    distance: $s->distance,
                    planDeviation: $mark->planError(),
                    heightDeviation: $mark->heightError(),
                    angleFactor: $mean->angleFactor,
                    oneFace: $mean->oneFace,
                );
            }
        }

        return $sights;
    }

    /** @return list<LineShot> */
    public function lineShots(): array
    {
        $lines = [];
        foreach ($this->draft->lines as $l) {
            $lines[$l->name] = new SiteLine(
                $l->name, new Position($l->northing1, $l->easting1), new Position($l->northing2, $l->easting2), $l->offset, (float) $l->deviation,
            );
        }
        $shots = [];
        foreach ($this->draft->shots as $s) {
            $observation = $this->observations->get($s->observationId);
            if ($observation !== null && isset($lines[$s->line])) {
                $shots[] = new LineShot($lines[$s->line], $observation->sight(), $s->used, $observation->angles);
            }
        }

        return $shots;
    }

    /** @return list<SightMean> of marks that are no control, in the order measured */
    public function otherSights(): array
    {
        $readings = array_filter(
            array_map(fn (DraftShot $s) => $s->used ? $this->observations->get($s->observationId) : null, $this->draft->shots),
        );

        return array_values(
            array_map(static fn (Observation $o) => new SightMean($o->sight(), $o->angles, $o->angles > 1.0, 0.0), $readings),
        );
    }

    /** @return array<string, Position> all control, by name */
    public function positions(): array
    {
        return $this->control->mapWithKeys(static fn (ControlPoint $c) => [$c->name => $c->position()])->all();
    }

    /** The reading taken last. */
    public function latest(): ?Observation
    {
        $used = $this->readings();

        return $used === [] ? null : $this->observations->get(max($used));
    }

    /** @return list<int> all observations that the draft speaks of */
    public function readings(): array
    {
        return self::readingsOf($this->draft);
    }

    /** @return list<int> all observations that a draft speaks of */
    public static function readingsOf(Draft $draft): array
    {
        return [
            ...array_merge(...array_map(static fn (DraftSight $s) => [$s->observationId, ...$s->more], $draft->sights)),
            ...array_map(static fn (DraftShot $s) => $s->observationId, $draft->shots),
        ];
    }
}
