<?php

declare(strict_types=1);

namespace App\Reports;

use App\Clock;
use App\Designs\Models\Design;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use App\Stakeout\MarkSpread;
use App\Stakeout\Models\Mark;
use App\Stakeout\WhatCounts;
use Illuminate\Support\Collection;
use Parlay\Core\Stakeout\Conformity;

/** What is handed over: the day's setups and marks with all they rest on. */
final readonly class Report
{
    /**
     * @param  Collection<int, Design>  $designs
     * @param  Collection<int, Setup>  $setups
     * @param  list<ReportRow>  $rows  stakes and as-built, in order
     * @param  list<ReportRow>  $checks
     */
    private function __construct(
        public Project $project,
        public Collection $designs,
        public Collection $setups,
        public array $rows,
        public array $checks,
        public string $author,
        public string $at,
    ) {}

    public static function of(Project $project, string $author): self
    {
        $what = WhatCounts::of($project);
        $all = Mark::of($project)->with('setup:id,number')->get();
        MarkSpread::complete($all);
        $rule = $project->decisionRule();
        $marks = $all->sortBy(static fn (Mark $m) => $what->placeOf($m->id))->values()
            ->map(static fn (Mark $m) => ReportRow::of($m, $rule, ! $what->counts($m->id)));

        return new self(
            $project,
            Design::of($project)->orderBy('id')->get(),
            Setup::query()->where('project_id', $project->id)->orderBy('id')->get(),
            $marks->filter(static fn (ReportRow $r) => $r->mark->kind !== 'check')->values()->all(),
            $marks->filter(static fn (ReportRow $r) => $r->mark->kind === 'check')->values()->all(),
            $author,
            Clock::stamp(),
        );
    }

    /** @return list<ReportRow> */
    public function counting(): array
    {
        return array_values(array_filter($this->rows, static fn (ReportRow $r) => ! $r->replaced));
    }

    /** How many conform, do not, and are too close to call, by the project's rule. */
    public function conforming(Conformity $conformity): int
    {
        return count(array_filter($this->counting(), static fn (ReportRow $r) => $r->conformance?->conformity === $conformity));
    }

    /** How many are not as surely in or out as the level asks for, whatever the rule. */
    public function close(): int
    {
        return count(array_filter($this->counting(), static fn (ReportRow $r) => $r->conformance?->isClose() === true));
    }

    public function count(string $verdict): int
    {
        return count(array_filter($this->counting(), static fn (ReportRow $r) => $r->mark->verdict === $verdict));
    }
}
