<?php

declare(strict_types=1);

namespace App\Reports;

use App\Clock;
use App\Control\Models\ControlPoint;
use App\Designs\Models\Design;
use App\Instrument\Models\Instrument;
use App\Instrument\Models\Observation;
use App\PrintZone;
use App\Projects\Models\Project;
use App\Reports\Models\Letterhead;
use App\Setups\Models\Setup;
use App\Stakeout\Actions\TellBuilt;
use App\Stakeout\BuiltPart;
use App\Stakeout\BuiltShot;
use App\Stakeout\MarkSpread;
use App\Stakeout\Models\Mark;
use App\Stakeout\WhatCounts;
use App\Worklists\Models\Worklist;
use Illuminate\Support\Collection;

/** What is handed over: setups and marks, those of its scope, with all they rest on. */
final readonly class Report
{
    /**
     * @param  Collection<int, Design>  $designs
     * @param  Collection<int, Setup>  $setups  that its marks were made from; all where it covers all
     * @param  list<ReportRow>  $rows  stakes and as-built, in order
     * @param  list<ReportRow>  $checks
     */
    private function __construct(
        public Project $project,
        public ReportWanted $wanted,
        public Collection $designs,
        public Collection $setups,
        public array $rows,
        public array $checks,
        public string $at,
        public string $covers,
        public Letterhead $letterhead,
    ) {}

    /** @throws \DomainException where the worklist it shall cover is not there */
    public static function of(Project $project, ReportWanted $wanted = new ReportWanted): self
    {
        $what = WhatCounts::of($project);
        $list = $wanted->scope->worklistId === null ? null : Worklist::of($project)->find($wanted->scope->worklistId)
            ?? throw new \DomainException('The list that the report shall cover is gone. Choose another.');
        $all = Mark::of($project)->with(['setup:id,number', 'observation'])->get();
        MarkSpread::complete($all);
        $rule = $project->decisionRule();
        $elements = ElementOfMark::in($project);
        $setups = Setup::query()->where('project_id', $project->id)->orderBy('id')->get()->keyBy('id');
        $more = array_merge(...$all->map(static fn (Mark $m): array => $m->foundFrom()->more ?? [])->values()->all());
        $before = $more === [] ? new Collection : Observation::of($project)->whereIntegerInRaw('id', $more)->get()->keyBy('id');
        $rows = $all->sortBy(static fn (Mark $m) => $what->placeOf($m->id))->values()->map(static fn (Mark $m) => ReportRow::of($m, $rule, $what, $setups->get($m->setup_id), $elements, self::tracesBefore($m, $before, $setups->get($m->setup_id))))
            ->filter(self::covered($wanted, $list))->values();
        $used = array_fill_keys($rows->map(static fn (ReportRow $r) => $r->mark->setup->number)->all(), true);

        $shown = $wanted->scope == new ReportScope ? $setups->values() : $setups->filter(static fn (Setup $s) => isset($used[$s->number]))->values();

        return new self(
            project: $project,
            wanted: $wanted,
            designs: Design::of($project)->orderBy('id')->get(),
            setups: $shown,
            rows: $rows->filter(static fn (ReportRow $r) => $r->mark->kind !== 'check')->values()->all(),
            checks: $rows->filter(static fn (ReportRow $r) => $r->mark->kind === 'check')->values()->all(),
            at: Clock::stamp(),
            covers: self::words($wanted->scope, $list),
            letterhead: Letterhead::in($project),
        );
    }

    /** @return Collection<int, Instrument> that its setups were made with, of the project's list */
    public function instruments(): Collection
    {
        return Instrument::of($this->project)->whereIn('name', $this->setups->pluck('instrument')->unique())->orderBy('name')->get();
    }

    /** @return Collection<int, ControlPoint> that its setups sighted or stood on, as it is kept today */
    public function control(): Collection
    {
        $names = [];
        foreach ($this->setups as $s) {
            $names[$s->station_name] = true;
            foreach ($s->found()->residuals as $r) {
                $names[$r->name] = true;
            }
        }

        return ControlPoint::of($this->project)->orderBy('id')->get()->filter(static fn (ControlPoint $c): bool => isset($names[$c->name]))->values();
    }

    /** @return list<BuiltPart> faces and axes that its marks lie on */
    public function built(): array
    {
        $on = [];
        foreach ($this->rows as $r) {
            $r->mark->aim_key === '' || $on[$r->mark->id] = true;
        }

        return $on === [] ? [] : array_values(array_filter(
            (new TellBuilt)($this->project), static fn (BuiltPart $p): bool => array_intersect_key($on, array_fill_keys(array_map(static fn (BuiltShot $s): int => $s->markId, $p->shots), true)) !== [],
        ));
    }

    /**
     * @param  Collection<int, Observation>  $before
     * @return list<Trace>
     */
    private static function tracesBefore(Mark $m, Collection $before, ?Setup $setup): array
    {
        $readings = array_map($before->get(...), $m->foundFrom()->more ?? []);

        return $setup === null ? [] : array_map(static fn (Observation $o): Trace => Trace::of($o, $setup), array_values(array_filter($readings)));
    }

    /** @return \Closure(ReportRow): bool checks of its days are always with it */
    private static function covered(ReportWanted $wanted, ?Worklist $list): \Closure
    {
        $scope = $wanted->scope;
        $zone = PrintZone::named($wanted->zone);
        $points = $list === null ? null : array_fill_keys($list->point_ids, true);

        return static function (ReportRow $r) use ($scope, $zone, $points): bool {
            $m = $r->mark;

            return ($scope->day === '' || $zone->day($r->at) === $scope->day) && ($m->kind === 'check' || (
                ($points === null || ($m->point_id !== null && isset($points[$m->point_id])))
                && ($scope->code === null || $m->code === $scope->code)
                && ($scope->kind === '' || $m->kind === $scope->kind)
                && ($scope->replaced || ! $r->replaced)
                && (! $scope->outOnly || (! $r->replaced && in_array($r->called(), ['out', 'close'], true)))
            ));
        };
    }

    private static function words(ReportScope $s, ?Worklist $list): string
    {
        $parts = array_filter([
            $s->outOnly ? 'only what is out or too close to call' : '',
            match ($s->kind) {
                'stake' => 'what was staked', 'as_built' => 'what was built', default => ''
            },
            $s->day === '' ? '' : "marks of {$s->day}", $list === null ? '' : "points of the list “{$list->name}”",
            $s->code === null ? '' : ($s->code === '' ? 'marks without a code' : "code {$s->code}"), $s->replaced ? '' : 'without marks that were replaced',
        ]);

        return $parts === [] ? 'all marks of the project' : implode('; ', $parts);
    }

    /** @return list<ReportRow> */
    public function counting(): array
    {
        return array_values(array_filter($this->rows, static fn (ReportRow $r) => ! $r->replaced));
    }

    /** @param  string  $kind  stake or as_built */
    public function ofKind(string $kind): int
    {
        return count(array_filter($this->counting(), static fn (ReportRow $r) => $r->mark->kind === $kind));
    }

    /** How many are not as surely in or out as the level asks for, whatever the rule. */
    public function close(): int
    {
        return count(array_filter($this->counting(), static fn (ReportRow $r) => $r->conformance?->isClose() === true));
    }
}
