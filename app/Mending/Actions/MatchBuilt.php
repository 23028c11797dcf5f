<?php

declare(strict_types=1);

namespace App\Mending\Actions;

use App\Instrument\Purpose;
use App\Mending\MarkVersion;
use App\Mending\MatchCandidate;
use App\Mending\MatchesToKeep;
use App\Mending\MatchQuery;
use App\Mending\ShotMatchEntry;
use App\Points\Models\Code;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Stakeout\Against;
use App\Stakeout\MarkSpread;
use App\Stakeout\MeasuredBy;
use App\Stakeout\Models\Mark;
use App\Worklists\Models\Worklist;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Deviation;
use Parlay\Core\Stakeout\Matching;
use Parlay\Core\Stakeout\ShotMatch;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Core\Stakeout\Verdict;

/** Says afterwards of which design points as-built shots are, that were measured by themselves. The shots stay in the book as they were. */
final class MatchBuilt
{
    /** Stands behind the source of its design. */
    public const AFTERWARDS = ', held against it afterwards';

    /** @var array<string, array{Tolerance, string}> by code */
    private array $codes = [];

    /** @return list<ShotMatchEntry> shots that are held against nothing, in the order of the book; stores nothing */
    public function proposed(Project $project, MatchQuery $query): array
    {
        $shots = Mark::of($project)->where('kind', Purpose::AsBuilt->value)->whereNull('design_northing')->orderBy('id')->get(['id', 'name', 'code', 'northing', 'easting', 'elevation'])->keyBy('id');
        $points = self::points($project, $query);
        $built = Mark::of($project)->where('kind', Purpose::AsBuilt->value)->whereNotNull('point_id')->pluck('point_id', 'point_id')->all();

        return array_map(static function (ShotMatch $m) use ($shots, $points, $built): ShotMatchEntry {
            $shot = $shots->get($m->shot) ?? throw new \LogicException('A match is of its shot.');

            return new ShotMatchEntry($shot->id, $shot->name, $shot->code, array_map(static function (array $c) use ($points, $built): MatchCandidate {
                $p = $points->get($c['design']) ?? throw new \LogicException('A match is of its point.');

                return new MatchCandidate($p->id, $p->name, $p->code, $c['distance'], isset($built[$p->id]));
            }, $m->candidates), $m->doubt);
        }, Matching::nearest(
            $shots->map(static fn (Mark $m): Position => $m->position())->all(), $points->map(static fn (StakeoutPoint $p): Position => $p->position())->all(), $query->reach,
        ));
    }

    /** @return Collection<int, StakeoutPoint> by their numbers */
    private static function points(Project $project, MatchQuery $query): Collection
    {
        $points = StakeoutPoint::of($project)->select(['id', 'name', 'code', 'northing', 'easting', 'elevation']);
        $query->code === null || $points->where('code', $query->code);
        $query->worklistId === null || $points->whereIntegerInRaw('id', Worklist::of($project)->findOrFail($query->worklistId)->point_ids);

        return $points->get()->keyBy('id');
    }

    /** @return int how many are told otherwise now: all of them, or none is */
    public function keep(Project $project, MatchesToKeep $wanted): int
    {
        return DB::transaction(function () use ($project, $wanted): int {
            $this->codes = [];
            $ids = array_column($wanted->matches, 'markId');
            $marks = Mark::of($project)->with(['setup', 'observation'])->where('kind', Purpose::AsBuilt->value)->whereIntegerInRaw('marks.id', $ids)->get()->keyBy('id');
            $points = StakeoutPoint::of($project)->whereIntegerInRaw('id', array_filter(array_column($wanted->matches, 'pointId'), is_int(...)))->get()->keyBy('id');
            if (count(array_unique($ids)) !== count($ids)) {
                throw new \DomainException('A shot is of one point, and not of two. Nothing was changed.');
            }
            foreach ($wanted->matches as $m) {
                $mark = $marks->get($m->markId) ?? throw new \DomainException('One of the shots was changed or struck meanwhile. Nothing was changed: look at them again.');
                $point = $m->pointId === null ? null : $points->get($m->pointId) ?? throw new \DomainException("A point for {$mark->name} is gone. Nothing was changed: look at them again.");
                $this->write($project, $mark, $point);
            }
            $project->measured();

            return count($wanted->matches);
        });
    }

    /** @return array{Tolerance, string} of a code, looked for once: its tolerance, and what counts of its marks */
    private function ofCode(Project $project, string $code): array
    {
        return $this->codes["code $code"] ??= [Code::toleranceOf($project, $code), Code::judgedOf($project, $code)];
    }

    private function write(Project $project, Mark $mark, ?StakeoutPoint $point): void
    {
        if ($point === null) {
            MarkVersion::write($mark, [
                'point_id' => null, 'design_northing' => null, 'design_easting' => null, 'design_elevation' => null, 'design_source' => '', 'aim_key' => '', 'aimed' => null,
                'issued_northing' => null, 'issued_easting' => null, 'issued_elevation' => null, 'left_so' => false, 'spread' => null, 'verdict' => Verdict::Undecided->value,
            ]);

            return;
        }
        $against = Against::point($point);
        [$found, $code] = [$mark->position(), $mark->code !== '' ? $mark->code : $point->code];
        [$tolerance, $counts] = $this->ofCode($project, $code);
        $judged = $against->judges(null, $counts);
        $columns = $against->columns($found);
        $spread = MarkSpread::of($mark->setup, MeasuredBy::of($mark), (new Mark($columns))->design(), null);
        MarkVersion::write($mark, [
            'design_source' => $against->source.self::AFTERWARDS, 'code' => $code, 'judged' => $judged, 'verdict' => Deviation::between($point->position(), $found)->verdict($tolerance, $judged)->value,
            'plan_tolerance' => $tolerance->plan, 'height_tolerance' => $tolerance->height, 'above_tolerance' => $tolerance->above, 'spread' => $spread === null ? null : (array) $spread,
        ] + $columns);
    }
}
