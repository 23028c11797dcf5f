<?php

declare(strict_types=1);

namespace App\Mending;

use App\Clock;
use App\Control\ControlOrigin;
use App\Control\Models\ControlPoint;
use App\Instrument\Models\Correction;
use App\Projects\Models\Project;
use App\Setups\Actions\SolveSetup;
use App\Setups\DraftInputs;
use App\Setups\Models\Setup;
use App\Stakeout\MarkSpread;
use App\Stakeout\MeasuredBy;
use App\Stakeout\Models\Mark;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\SetupRecord;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Verdict;
use Parlay\Core\Units\SaysLengths;

/**
 * Works a mended target height, constant or control coordinate through every setup and mark that hangs on it. Nothing changes until it
 * is adopted; then new versions are written beside the old ones, and both stay in the field book.
 */
final class Mending
{
    /** Less than this is rounding, metres and radians. */
    private const SAME = 1e-6;

    public function __construct(private readonly SolveSetup $solve) {}

    /** @return list<MendedSetup> the setups that would change, or whose marks would, in the order of the day */
    public function proposals(Project $project): array
    {
        $standing = self::standing($project);
        $found = $this->foundAnew($project, $standing);
        $marks = self::marksInDoubt($project, array_keys($found));
        $proposals = [];
        foreach ($standing as $setup) {
            $mended = self::mended($setup, $found[$setup->id] ?? null, $marks[$setup->id] ?? []);
            if ($mended !== null) {
                $proposals[] = $mended;
            }
        }

        return $proposals;
    }

    /**
     * @param  list<int>  $setupIds
     * @return int how many setups and marks were written anew
     */
    public function adopt(Project $project, array $setupIds, string $note): int
    {
        if (trim($note) === '' || mb_strlen($note) > 500) {
            throw new \DomainException('Write in a few words what was mended and why: it stays in the field book.');
        }

        return DB::transaction(function () use ($project, $setupIds, $note): int {
            $written = 0;
            foreach ($this->proposals($project) as $p) {
                if (in_array($p->setup->id, $setupIds, true)) {
                    $written += $this->write($project, $p, trim($note));
                }
            }
            $project->changed();

            return $written;
        });
    }

    /** All that was measured from a setup, as it would lie with another station in its place. */
    public static function turned(Project $project, Setup $setup, SetupSolution $found): MendedSetup
    {
        $marks = Mark::of($project)
            ->where('setup_id', $setup->id)
            ->with('observation')
            ->orderBy('id')
            ->get()
            ->map(static fn (Mark $m): array => [
                $m, $m->placeFrom($found->station),
            ]);

        return new MendedSetup($setup, $found->station, $found, array_values($marks->all()));
    }

    /** Writes the marks of a setup anew under the one that takes its place. */
    public static function carryOver(MendedSetup $mended, Setup $new): void
    {
        foreach ($mended->marks as [$old, $place]) {
            self::writeMark($old, $place, $new);
        }
    }

    /** @return list<Setup> the latest version of each */
    private static function standing(Project $project): array
    {
        $latest = Setup::of($project)->selectRaw('max(id) AS id')->groupByRaw('coalesce(stands_for, id)')->toBase()->pluck('id');

        return array_values(Setup::of($project)->whereIn('id', $latest)->orderByRaw('coalesce(stands_for, id)')->get()->all());
    }

    /**
     * @param  list<Setup>  $standing
     * @return array<int, SetupSolution> those that come out otherwise now, by setup
     */
    private function foundAnew(Project $project, array $standing): array
    {
        $inputs = DraftInputs::ofSetups($project, $standing);
        $anew = [];
        foreach ($standing as $setup) {
            try {
                $found = isset($inputs[$setup->id]) ? ($this->solve)($inputs[$setup->id])->solution() : null;
            } catch (\DomainException) {
                // What it rested on is gone: it stays as it was accepted.
                $found = null;
            }
            if ($found !== null && self::differs($setup, $found)) {
                $anew[$setup->id] = $found;
            }
        }

        return $anew;
    }

    /**
     * Only marks of setups that come out otherwise, or whose own reading was mended, can lie elsewhere now.
     *
     * @param  list<int>  $setups
     * @return array<int, list<Mark>> by setup
     */
    private static function marksInDoubt(Project $project, array $setups): array
    {
        $by = [];
        $marks = Mark::of($project)->with('observation')->orderBy('id')
            ->where(static fn ($q) => $q->whereIn('setup_id', $setups)
                ->orWhereIn('observation_id', Correction::query()->where('project_id', $project->id)->select('observation_id'))
                // One of the shots that it was found from may be it.
                ->orWhereNotNull('found_from'));
        foreach ($marks->get() as $mark) {
            $by[$mark->setup_id][] = $mark;
        }

        return $by;
    }

    /** @param  list<Mark>  $inDoubt */
    private static function mended(Setup $setup, ?SetupSolution $changed, array $inDoubt): ?MendedSetup
    {
        $station = $changed === null ? $setup->station() : $changed->station;
        $marks = [];
        foreach ($inDoubt as $mark) {
            try {
                $place = $mark->placeFrom($station);
            } catch (SaysLengths) {
                // With what was mended its shots are of no such thing any more: it stays as it was stored.
                continue;
            }
            if ($changed !== null || self::apart($mark->position(), $place)) {
                $marks[] = [$mark, $place];
            }
        }

        return $changed === null && $marks === [] ? null : new MendedSetup($setup, $station, $changed, $marks);
    }

    private static function differs(Setup $setup, SetupSolution $found): bool
    {
        return self::apart($setup->position(), $found->station->mark)
            || abs(sin($setup->orientation - $found->station->orientation)) > self::SAME / 100;
    }

    private static function apart(Position $a, Position $b): bool
    {
        return $a->distanceTo($b) > self::SAME
            || ($a->elevation === null) !== ($b->elevation === null)
            || abs((float) $a->elevation - (float) $b->elevation) > self::SAME;
    }

    private function write(Project $project, MendedSetup $p, string $note): int
    {
        $setup = $p->setup;
        if ($p->solution !== null) {
            $mark = $p->station->mark;
            $setup = Setup::query()->create([
                'project_id' => $project->id, 'key' => "mended-{$p->setup->id}-".bin2hex(random_bytes(6)),
                'at' => Clock::stamp(), 'method' => $p->setup->method, 'station_name' => $p->setup->station_name,
                'northing' => $mark->northing, 'easting' => $mark->easting, 'elevation' => $mark->elevation,
                'orientation' => $p->station->orientation, 'instrument_height' => $p->station->instrumentHeight,
                'solution' => SetupRecord::write($p->solution), 'sights' => $p->setup->sights,
                'draft' => $p->setup->draft, 'accuracy' => $p->setup->accuracy, 'base_id' => $p->setup->base_id,
                'instrument' => $p->setup->instrument, 'serial' => $p->setup->serial,
                'computed_by' => config()->string('parlay.version'), 'stands_for' => $p->setup->root(), 'note' => $note,
            ]);
            ControlPoint::of($project)->where('origin', ControlOrigin::Station)->where('setup_id', $setup->root())->update([
                'northing' => $mark->northing, 'easting' => $mark->easting, 'elevation' => $mark->elevation,
                'plan_deviation' => $p->solution->trusted()->place(), 'height_deviation' => $p->solution->trusted()->height(),
            ]);
        }
        foreach ($p->marks as [$old, $place]) {
            self::writeMark($old, $place, $setup);
        }

        return ($p->solution === null ? 0 : 1) + count($p->marks);
    }

    private static function writeMark(Mark $old, Position $place, Setup $setup): void
    {
        $design = $old->designedAt($place);
        $aimed = $old->aimed()?->moved($old->design(), $place);
        $spread = MarkSpread::of($setup, MeasuredBy::of($old), $design, $aimed);
        // What was only told, such as the cut at a grade stake, is judged no more than before.
        $verdict = $design === null || $old->verdict === Verdict::Undecided->value
            ? Verdict::Undecided
            : Deviation::between($design, $place)->verdict($old->tolerance(), $old->judged);
        MarkVersion::write($old, [
            'setup_id' => $setup->id, 'design_northing' => $design?->northing, 'design_easting' => $design?->easting, 'design_elevation' => $design?->elevation,
            'aimed' => $aimed, 'spread' => $spread === null ? null : (array) $spread,
            'northing' => $place->northing, 'easting' => $place->easting, 'elevation' => $place->elevation, 'verdict' => $verdict->value,
        ]);
    }
}
