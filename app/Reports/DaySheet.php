<?php

declare(strict_types=1);

namespace App\Reports;

use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Worklists\Models\Worklist;
use Parlay\Core\Stakeout\PointState;

/** A day as a foreman reads it: what was done, what is out and how it is put right, what is still open. */
final readonly class DaySheet
{
    /**
     * @param  list<DayOfCode>  $codes  in the order of their names
     * @param  list<ReportRow>  $out  of this day, out or too close to call, and not left so on purpose
     * @param  list<string>  $redo  names of points that are out from earlier days
     * @param  array<string, list<string>>  $open  names of points that nobody has staked, by code
     */
    private function __construct(public Report $report, public array $codes, public array $out, public array $redo, public array $open) {}

    /** @throws \DomainException where the worklist is gone */
    public static function of(Project $project, DaySheetWanted $wanted): self
    {
        $report = Report::of($project, $wanted->report());
        $out = array_values(array_filter($report->counting(), static fn (ReportRow $r): bool => in_array($r->called(), ['out', 'close'], true) && ! $r->mark->left_so));
        $today = array_fill_keys(array_map(static fn (ReportRow $r): string => $r->mark->kind.' '.$r->mark->point_id, $out), true);
        [$redo, $open] = [[], []];
        $points = StakeoutPoint::of($project)->select(['id', 'name', 'code'])->selectRaw(StakeoutPoint::state().' AS state')->orderBy('name');
        if ($wanted->worklistId !== null) {
            $points->whereIntegerInRaw('id', Worklist::of($project)->findOrFail($wanted->worklistId)->point_ids);
        }
        foreach ($points->toBase()->get() as $p) {
            if ($p->state === PointState::Open->value) {
                $open[$p->code][] = $p->name;
            } elseif ($p->state === PointState::Redo->value && ! isset($today["stake {$p->id}"])) {
                $redo[] = $p->name;
            }
        }
        ksort($open, SORT_NATURAL);
        array_walk($open, static fn (array &$names): bool => sort($names, SORT_NATURAL));
        sort($redo, SORT_NATURAL);

        return new self($report, DayOfCode::counted($report->counting(), $open), $out, $redo, $open);
    }

    /** Whether all of it has room on one page, or little more. */
    public function isShort(): bool
    {
        return count($this->out) + count($this->open) <= 30 && $this->stillOpen() <= 250;
    }

    /** How many points nobody has staked. */
    public function stillOpen(): int
    {
        return array_sum(array_map(count(...), $this->open));
    }
}
