<?php

declare(strict_types=1);

namespace App\Reports;

use App\Clock;
use App\Designs\Models\Design;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use App\Stakeout\AimKind;
use App\Stakeout\Models\Mark;
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
        $all = $project->marks()->with('setup:id,number')->orderBy('id')->get();
        $latest = [];
        foreach ($all as $m) {
            $latest[self::about($m)] = $m->id;
        }
        $marks = $all->map(static fn (Mark $m) => ReportRow::of($m, $latest[self::about($m)] !== $m->id));

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

    /**
     * What a mark says something of: a point, a spot or a place along a line staked or built again counts once, by its latest mark; a check,
     * a mark anywhere along a line, or a shot at nothing designed, stands for itself.
     */
    private static function about(Mark $m): string
    {
        return match (true) {
            $m->kind === 'check' => "mark {$m->id}",
            $m->point_id !== null => "{$m->kind} {$m->point_id}",
            in_array($m->aimed()?->kind, [AimKind::Spot, AimKind::Place], true) => "{$m->kind} at {$m->aim_key}",
            default => "mark {$m->id}",
        };
    }

    /** @return list<ReportRow> */
    public function counting(): array
    {
        return array_values(array_filter($this->rows, static fn (ReportRow $r) => ! $r->replaced));
    }

    public function count(string $verdict): int
    {
        return count(array_filter($this->counting(), static fn (ReportRow $r) => $r->mark->verdict === $verdict));
    }
}
