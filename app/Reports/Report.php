<?php

declare(strict_types=1);

namespace App\Reports;

use App\Clock;
use App\Models\Design;
use App\Models\Mark;
use App\Models\Project;
use App\Models\Setup;
use Illuminate\Support\Collection;

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
        $marks = $project->marks()->orderBy('id')->get()->map(static fn (Mark $m) => ReportRow::of($m));

        return new self(
            $project,
            $project->designs()->orderBy('id')->get(),
            Setup::query()->where('project_id', $project->id)->orderBy('id')->get(),
            $marks->filter(static fn (ReportRow $r) => $r->mark->kind !== 'check')->values()->all(),
            $marks->filter(static fn (ReportRow $r) => $r->mark->kind === 'check')->values()->all(),
            $author,
            Clock::stamp(),
        );
    }

    public function count(string $verdict): int
    {
        return count(array_filter($this->rows, static fn (ReportRow $r) => $r->mark->verdict === $verdict));
    }
}
