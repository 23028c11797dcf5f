<?php

declare(strict_types=1);

namespace App\Reports;

use App\Projects\Models\Project;
use App\Reports\Models\ReportIssue;
use App\Setups\Models\Setup;
use Illuminate\Support\Facades\DB;

/** All that was put right afterwards: when, why, how far it moved what was measured, and which issued reports told it otherwise. */
final class Corrections
{
    /** Names that are listed one by one. */
    private const NAMED = 3;

    /** @var array<int, \stdClass> all marks by their number */
    private array $marks = [];

    /** @var array<int, int> by number of a mark, the first of which it is a version */
    private array $first = [];

    /** @var list<array{string, int, array<int, true>}> time and number of each issue, and the first versions of all marks that it tells */
    private array $issued = [];

    private function __construct(private readonly Project $project) {}

    /** @return list<CorrectionEntry> in the order of time */
    public static function of(Project $project): array
    {
        $of = new self($project);
        $of->readMarks();
        $entries = [...$of->readings(), ...$of->setups(), ...$of->worked(), ...$of->strikes()];
        usort($entries, static fn (CorrectionEntry $a, CorrectionEntry $b): int => strcmp($a->at, $b->at));

        return $entries;
    }

    private function readMarks(): void
    {
        $rows = DB::table('marks')->where('project_id', $this->project->id)->orderBy('id')
            ->get(['id', 'mends', 'name', 'at', 'setup_id', 'northing', 'easting', 'elevation', 'verdict', 'observation_id', 'design_northing']);
        foreach ($rows as $m) {
            $this->marks[(int) $m->id] = $m;
            $this->first[(int) $m->id] = $m->mends === null ? (int) $m->id : $this->first[(int) $m->mends] ?? (int) $m->mends;
        }
    }

    /** @return list<CorrectionEntry> those said together are one */
    private function readings(): array
    {
        $rows = DB::table('corrections')->join('observations', 'observations.id', '=', 'corrections.observation_id')->where('corrections.project_id', $this->project->id)
            ->orderBy('corrections.id')->get(['corrections.at', 'corrections.note', 'corrections.target_height', 'corrections.prism_constant', 'observations.sighted', 'observations.id']);
        $entries = [];
        foreach ($rows->groupBy(static fn (\stdClass $r): string => substr($r->at, 0, 19)."\n{$r->note}\n{$r->target_height} {$r->prism_constant}") as $together) {
            $r = $together->first();
            $of = array_fill_keys($together->pluck('id')->all(), true);
            $told = array_filter($this->marks, static fn (\stdClass $m): bool => isset($of[$m->observation_id]));
            $entries[] = new CorrectionEntry(
                at: $r->at, kind: CorrectionKind::Reading, what: self::named($together->pluck('sighted')->all()), note: $r->note, targetHeight: (float) $r->target_height,
                prismConstant: (float) $r->prism_constant, reports: $this->reportsOf($r->at, array_keys($told)),
            );
        }

        return $entries;
    }

    /** @return list<CorrectionEntry> */
    private function setups(): array
    {
        $entries = [];
        $moved = [];
        foreach ($this->marks as $m) {
            // Marks that were carried over to a setup that was turned again are its own as well.
            if ($m->mends !== null && ($this->marks[(int) $m->mends]->setup_id ?? null) !== $m->setup_id) {
                $moved[(int) $m->setup_id][] = $m;
            }
        }
        foreach (Setup::of($this->project)->orderBy('id')->get(['id', 'number', 'at', 'note', 'station_name', 'stands_for']) as $s) {
            if ($s->stands_for !== null || isset($moved[$s->id])) {
                $entries[] = $this->moved(new CorrectionEntry($s->at, CorrectionKind::Setup, "Setup {$s->number}, {$s->station_name}", $s->note), $moved[$s->id] ?? []);
            }
        }

        return $entries;
    }

    /** @return list<CorrectionEntry> marks that were worked anew under the setup they had */
    private function worked(): array
    {
        $groups = [];
        foreach ($this->marks as $m) {
            $old = $m->mends === null ? null : $this->marks[(int) $m->mends] ?? null;
            if ($old !== null && $old->setup_id === $m->setup_id) {
                $kind = $old->design_northing === null && $m->design_northing !== null ? CorrectionKind::Matched : CorrectionKind::Marks;
                $groups["{$m->setup_id} {$kind->value} ".substr($m->at, 0, 19)] ??= [$kind, []];
                $groups["{$m->setup_id} {$kind->value} ".substr($m->at, 0, 19)][1][] = $m;
            }
        }

        return array_map(fn (array $group): CorrectionEntry => $this->moved(
            new CorrectionEntry($group[1][0]->at, $group[0], self::named(array_column($group[1], 'name')), ''), $group[1],
        ), array_values($groups));
    }

    /** @return list<CorrectionEntry> */
    private function strikes(): array
    {
        return array_values(DB::table('strikes')->where('project_id', $this->project->id)->orderBy('id')->get()->map(fn (\stdClass $s): CorrectionEntry => new CorrectionEntry(
            at: $s->at, kind: (bool) $s->struck ? CorrectionKind::Struck : CorrectionKind::Unstruck, what: $this->marks[(int) $s->mark_id]->name ?? '', note: $s->reason, by: $s->by,
            reports: $this->reportsOf($s->at, [(int) $s->mark_id]),
        ))->all());
    }

    /** @param  array<\stdClass>  $marks  as they are now */
    private function moved(CorrectionEntry $entry, array $marks): CorrectionEntry
    {
        $plan = $height = null;
        $turned = 0;
        foreach ($marks as $m) {
            $old = $this->marks[(int) $m->mends];
            $plan = max($plan ?? 0.0, hypot($m->northing - $old->northing, $m->easting - $old->easting));
            $height = $m->elevation === null || $old->elevation === null ? $height : max($height ?? 0.0, abs($m->elevation - $old->elevation));
            $turned += $m->verdict === $old->verdict ? 0 : 1;
        }

        return new CorrectionEntry(...[
            'marks' => count($marks), 'plan' => $plan, 'height' => $height, 'turned' => $turned,
            'reports' => $this->reportsOf($entry->at, array_map(static fn (\stdClass $m): int => (int) $m->id, array_values($marks))),
        ] + get_object_vars($entry));
    }

    /**
     * @param  list<int>  $marks
     * @return list<int> numbers of reports issued before that tell one of them
     */
    private function reportsOf(string $at, array $marks): array
    {
        $firsts = array_flip(array_map(fn (int $id): int => $this->first[$id] ?? $id, $marks));
        $numbers = [];
        foreach ($marks === [] ? [] : $this->issued() as [$when, $number, $told]) {
            if (strcmp($when, $at) < 0 && array_intersect_key($told, $firsts) !== []) {
                $numbers[] = $number;
            }
        }

        return $numbers;
    }

    /** @return list<array{string, int, array<int, true>}> */
    private function issued(): array
    {
        if ($this->issued === []) {
            foreach (ReportIssue::of($this->project)->lazyById(5) as $issue) {
                $this->issued[] = [$issue->at, $issue->number, array_fill_keys(array_column($issue->marks(), 'first'), true)];
            }
        }

        return $this->issued;
    }

    /** @param  list<string>  $names */
    private static function named(array $names): string
    {
        $names = array_values(array_unique($names));
        $more = count($names) - self::NAMED;

        return implode(', ', array_slice($names, 0, self::NAMED)).($more > 0 ? " and $more more" : '');
    }
}
